import { chakra } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { Check } from 'lucide-react';
import { Link } from 'react-router';
import { Label, Skeleton } from '../../ui/parts.tsx';
import { StudioPage } from '../shell/studio-page.tsx';
import { NextStep } from './next-step.tsx';
import { framesQuery } from './setup-queries.ts';
import { useSteps } from './use-steps.ts';

/** The steps from nothing to a planned course, each at any time again. */
export function SetUpPage() {
  const steps = useSteps();
  const { data: frames } = useQuery(framesQuery);
  return (
    <StudioPage title="Set up">
      {!steps && <Skeleton />}
      {steps && <NextStep takesFocus />}
      <chakra.ol listStyleType="none" p="0" display="grid" maxW="44rem">
        {steps?.map(({ id, title, why, isDone, to }, index) => (
          <chakra.li
            key={id}
            display="grid"
            gridTemplateColumns="2rem 11rem 1fr"
            alignItems="center"
            gap="3"
            py="2.5"
            borderTop="1px solid"
            borderColor="line"
          >
            <chakra.span
              color={isDone ? 'ready' : 'quiet'}
              fontWeight="650"
              fontVariantNumeric="tabular-nums"
            >
              {isDone ? <Check size={18} aria-label="done" /> : index + 1}
            </chakra.span>
            {to ? <Link to={to}>{title}</Link> : <chakra.span color="quiet">{title}</chakra.span>}
            <Label>{why}</Label>
          </chakra.li>
        ))}
      </chakra.ol>
      {frames && frames.dances.length > 0 && (
        <chakra.section aria-label="Dances" mt="6">
          <chakra.h2 fontSize="lg" mb="1">
            Dances and their levels
          </chakra.h2>
          <chakra.ul listStyleType="none" p="0">
            {frames.dances.map(({ id, name }) => (
              <chakra.li key={id} display="flex" gap="4" alignItems="baseline" py="1">
                <Link to={`/dances/${id}`}>{name}</Link>
                <Label>
                  {frames.levels
                    .filter(level => level.dance === id)
                    .sort((a, b) => a.order - b.order)
                    .map(level => level.name)
                    .join(', ') || 'no level yet'}
                </Label>
              </chakra.li>
            ))}
          </chakra.ul>
          <Link to="/dances/new">One more dance</Link>
        </chakra.section>
      )}
    </StudioPage>
  );
}
