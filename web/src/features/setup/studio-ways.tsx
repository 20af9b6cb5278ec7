import { chakra } from '@chakra-ui/react';
import type { StudioDecisions } from '@map-step/contract';
import { isTimeZone, RECALL_AIM, type Studio } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Label } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { Tick } from '../../ui/tick.tsx';
import { studioQuery } from '../studio/studio-queries.ts';
import { type DecisionsProps, Setting } from './setting.tsx';

const COUNTING = optionsOf({
  numbers: 'numbers, 1 2 3&4',
  numbered: 'numbers, the first says which repeat: 1 a 2, 2 a 2',
  'slow-quick': 'slow and quick',
  words: 'the words of the steps',
  call: 'the call of the figure',
} satisfies Record<NonNullable<Studio['counting']>, string>);

const needed = (text: string) => (text.trim() ? undefined : 'Write something here.');

/** The studio's name, roles, counting, time zone, and what it tells its students. */
export function StudioWays({ studio, commands }: DecisionsProps) {
  const { lead = 'Leader', follow = 'Follower' } = studio.roles ?? {};
  const put = (what: string, more: Partial<StudioDecisions>) =>
    commands.edit(what, now => ({ ...now, ...more }));
  return (
    <chakra.section aria-label="Ways" maxW="58rem">
      <Setting affects="Stands on top of every page, and in recaps.">
        <SavedText
          label="Name of the studio"
          value={studio.name}
          faultOf={needed}
          save={name => put('Name', { name })}
        />
      </Setting>
      <Setting affects="What people see of leaders and followers: sheets, lessons, recaps, classes.">
        <chakra.div display="grid" gridTemplateColumns="1fr 1fr" gap="2">
          <SavedText
            label="Who leads is called"
            value={lead}
            faultOf={needed}
            save={name => put('Roles', { roles: { lead: name, follow } })}
          />
          <SavedText
            label="Who follows is called"
            value={follow}
            faultOf={needed}
            save={name => put('Roles', { roles: { lead, follow: name } })}
          />
        </chakra.div>
      </Setting>
      <Setting affects="Which way of counting stands first and clearest in step sheets, and is written in recaps.">
        <Choice
          label="Counted in"
          value={studio.counting ?? 'numbers'}
          among={COUNTING}
          set={counting => put('Counting', { counting })}
        />
      </Setting>
      <Setting affects="Which day is today, and when an evening begins.">
        <SavedText
          label="Time zone"
          value={studio.timezone}
          faultOf={text => (isTimeZone(text.trim()) ? undefined : 'Write one such as Europe/London.')}
          save={timezone => put('Time zone', { timezone })}
        />
      </Setting>
      <StudioSettings studio={studio} commands={commands} />
      <OwnAddress />
    </chakra.section>
  );
}

type Settings = NonNullable<StudioDecisions['settings']>;

function StudioSettings({ studio: { settings }, commands }: DecisionsProps) {
  const put = <Key extends keyof Settings>(what: string, key: Key, value: Settings[Key] | undefined) =>
    commands.edit(what, now => {
      const { [key]: _, ...others } = now.settings ?? {};
      return { ...now, settings: value === undefined ? others : { ...others, [key]: value } };
    });
  return (
    <>
      <Setting affects="Recaps that are drafted from now on say it beside the house’s own count.">
        <Tick
          isOn={settings?.otherCounts ?? false}
          set={isOn => put('Counts of other schools in recaps', 'otherCounts', isOn || undefined)}
        >
          Tell how other schools count a figure
        </Tick>
      </Setting>
      <Setting affects="Below it a figure is fading: such figures are reviewed first. The memory model was fitted on other material and only ranks.">
        <chakra.div display="flex" gap="2" alignItems="center">
          <NumberField
            label="A class should still have a figure, in percent"
            value={Math.round((settings?.recallAim ?? RECALL_AIM) * 100)}
            min={50}
            max={99}
            save={percent =>
              put(
                'What a class should still have',
                'recallAim',
                percent === undefined ? undefined : percent / 100,
              )
            }
          />
          <Label>% is how well a class should still have a figure</Label>
        </chakra.div>
      </Setting>
      <Setting affects="Told wherever students are entered. Their data can be given out and erased on the page of their class.">
        <SavedText
          label="What students are told about their data"
          isLong
          value={settings?.consent ?? ''}
          save={text => put('Words on students’ data', 'consent', text || undefined)}
        />
      </Setting>
    </>
  );
}

function OwnAddress() {
  const { data } = useQuery(studioQuery);
  return (
    <Setting affects="Give it to your people: they sign in there.">
      <span>
        {window.location.origin}/at/{data?.slug} <Label>the studio’s own address</Label>
      </span>
    </Setting>
  );
}
