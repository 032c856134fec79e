import { readFileSync, statSync } from 'node:fs';
import { basename } from 'node:path';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { scorePlan } from '@/core/judge/scorePlan';
import { readPlanCase, readSimulateCase } from '@/formats/caseFile';
import { atDoor, describe, Refused, refuse } from '@/formats/problem';
import { planReport, report } from '@/formats/report';
import { MAX_JSON, parseJson } from '@/formats/validate';
import { answer, ladder } from './door';

const HELP = `ember simulate FILE.json   run the clothing of each leg and print series, totals and judgement
ember plan FILE.json       choose start kit, pack and cues from the garments given, and print them
ember answer "LINE"         what to wear for "run 50 min steady -6 wind 15 dry", as JSON
ember ladder SPORT [WHERE] what to wear by air, wind and effort; WHERE is open, forest, street or ridge
  --mine FILE  an archive, or JSON with athlete and garments   --units metric|imperial
  --place LAT,LON,HEIGHT  for the sun (answer)
  --now TIME   such as 2027-01-12T07:05 (answer)               --as text|json|csv (ladder)
ember catalogue            print the generic garment catalogue
FILE may be - for standard input. Formats: docs/formats.md and schemas/.`;

// Whoever reads only the beginning has what they wanted.
process.stdout.on('error', (e: NodeJS.ErrnoException) => process.exit(e.code === 'EPIPE' ? 0 : 1));

function readInput(path: string): { value: unknown; name: string } {
  const name = path === '-' ? 'standard input' : basename(path);
  if (path !== '-') {
    let size = 0;
    try {
      const s = statSync(path);
      if (s.isDirectory()) refuse(name, 'file', 'a folder', 'a JSON file');
      size = s.size;
    } catch (e) {
      if (e instanceof Refused) throw e;
      refuse(name, 'file', 'not found or not readable', 'the path of a JSON file');
    }
    if (size > MAX_JSON) refuse(name, 'size', `${(size / 1048576).toFixed(0)} MB`, `at most ${MAX_JSON / 1048576} MB`);
  }
  return { value: parseJson(readFileSync(path === '-' ? 0 : path, 'utf8'), name), name };
}

function main(argv: string[]): number {
  const [command, path] = argv;
  if (command === 'help' || argv.includes('--help') || argv.includes('-h')) {
    process.stdout.write(HELP + '\n');
    return 0;
  }
  if (command === 'catalogue') {
    process.stdout.write(JSON.stringify(CATALOGUE, null, 1) + '\n');
    return 0;
  }
  const door = { answer, ladder }[command as string];
  if (door) {
    process.stdout.write(door(argv.slice(1)));
    return 0;
  }
  if ((command !== 'simulate' && command !== 'plan') || !path) {
    process.stderr.write(HELP + '\n');
    return 2;
  }
  const { value, name } = readInput(path);
  if (command === 'simulate') {
    const c = readSimulateCase(value, name);
    const scored = atDoor(name, () =>
      scorePlan(c.person, c.garments, c.timeline, c.plan, {
        stepS: c.stepS,
        sampleS: c.sampleS,
        damp: c.damp,
        atOnce: true,
      }),
    );
    process.stdout.write(JSON.stringify({ title: c.title, plan: c.plan, ...report(scored, c) }) + '\n');
    return 0;
  }
  const c = readPlanCase(value, name);
  process.stdout.write(JSON.stringify(atDoor(name, () => planReport(c))) + '\n');
  return 0;
}

try {
  process.exitCode = main(process.argv.slice(2));
} catch (e) {
  if (e instanceof Refused) {
    for (const p of e.problems) process.stderr.write(`ember: ${describe(p)}\n`);
    process.exitCode = 1;
  } else throw e;
}
