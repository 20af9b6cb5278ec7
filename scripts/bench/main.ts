// `npm run bench -- api [SECONDS] [GROWTH]` `… check`, `… library`, `… map`, `… ready`, `… sequences`, `… sheet`, `… streams [STREAMS] [WRITERS] [SECONDS]`, `… mend FOLDER`, or `… plan FOLDER [SECONDS] [ONLY] [SEED]`.
import { benchApi } from './api.ts';
import { benchCheck } from './check.ts';
import { benchLibrary } from './library.ts';
import { benchMap } from './map.ts';
import { benchMend } from './mend.ts';
import { benchPlan } from './plan.ts';
import { benchReady } from './ready.ts';
import { benchSequences } from './sequences.ts';
import { benchSheet } from './sheet.ts';
import { benchStreams } from './streams.ts';

const [what, ...rest] = process.argv.slice(2);
if (what === 'api') await benchApi(Number(rest[0] ?? 120), Number(rest[1] ?? 10));
else if (what === 'check') benchCheck();
else if (what === 'library') await benchLibrary();
else if (what === 'map') await benchMap();
else if (what === 'ready') benchReady();
else if (what === 'sequences') benchSequences();
else if (what === 'sheet') await benchSheet();
else if (what === 'streams')
  await benchStreams(Number(rest[0] ?? 500), Number(rest[1] ?? 50), Number(rest[2] ?? 60));
else if (what === 'mend' && rest[0]) await benchMend(rest[0], rest[1]);
else if (what === 'plan' && rest[0])
  await benchPlan(rest[0], Number(rest[1] ?? 20), rest[2], Number(rest[3] ?? 1));
else {
  process.stderr.write(
    'Say what to measure: npm run bench -- api [SECONDS] [GROWTH], npm run bench -- check, npm run bench -- library, npm run bench -- map, npm run bench -- ready, npm run bench -- sequences, npm run bench -- sheet, npm run bench -- streams [STREAMS] [WRITERS] [SECONDS], npm run bench -- mend FOLDER, or npm run bench -- plan FOLDER [SECONDS] [ONLY] [SEED]\n',
  );
  process.exit(2);
}
