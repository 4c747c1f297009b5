import { networkOf } from '@/core/kinematics';
import { MAX_COMBINED, combinedCouplers, listCombinations } from '@/core/gear-chart';
import { toFraction } from '@/core/rational';
import { reportTrain } from '@/core/solve';
import type { Train } from '@/core/train';
import { diagnoseJson, measureJson } from './bench';
import { chartJson } from './chart';
import { findJson } from './find';
import { gearFile } from './gear';
import { influenceJson } from './influence';
import { readOptions, UsageError } from './options';
import { readTrain } from './read-train';
import { partsText } from './parts';
import { practiceJson } from './practice';
import { pointsJson, runCsv, runJson, travelJson } from './scenario';
import { said } from './said';
import { shiftsJson } from './shifts';
import { traceText } from './trace';
import { withUnits } from './with-units';

const USAGE = `usage: tinwheel solve FILE [--position ID] [--speed 1200rpm] [--torque 3.5Nm] [--losses] [--reverse-flow]
       tinwheel combinations FILE
       tinwheel trace FILE [--position ID] [--losses] [--convention in/out|out/in] [--sets formula|table]
       tinwheel chart FILE
       tinwheel shifts FILE [--from ID --to ID]
       tinwheel influence FILE
       tinwheel find SEARCH
       tinwheel points FILE --scenario SCENARIO
       tinwheel run FILE --scenario SCENARIO [--csv]
       tinwheel travel FILE
       tinwheel measure FILE --log LOG
       tinwheel diagnose FILE --seen SEEN
       tinwheel practice FILE [--seed N] [--count N] [--skill NAME]
       tinwheel parts FILE [--speed 1200rpm] [--torque 3.5Nm] [--csv | --markdown]
       tinwheel gear --teeth N --module MM [--internal] [--shift X] [--backlash MM] [--width MM] [--helix DEG [--herringbone]] [--bore MM] --format svg|dxf|stl -o FILE
       tinwheel sheet FILE [--format html|markdown] [--speed 1200rpm] [--torque 3.5Nm] [--convention in/out|out/in]
       tinwheel check FILE
       tinwheel bundle ID… | --everything -o FILE.zip
       tinwheel unbundle FILE.zip [--existing skip|both|replace] [--dry-run]
       tinwheel backup DEST.sqlite
       tinwheel restore SOURCE.sqlite`;

function run(argv: readonly string[]): string {
  const [command, ...rest] = argv;
  if (command === undefined || command === '--help' || command === '-h') return `${USAGE}\n`;
  switch (command) {
    case 'solve': {
      const options = readOptions(rest, ['position', 'speed', 'torque', 'losses', 'reverse-flow']);
      const train = readTrain(options.file);
      const report = reportTrain(train, {
        position: knownPosition(train, options.position),
        losses: options.losses,
        reverse: options.reverse,
      });
      return json(withUnits(report, options));
    }
    case 'combinations': {
      const network = networkOf(readTrain(readOptions(rest, []).file));
      const count = combinedCouplers(network).length;
      if (count > MAX_COMBINED)
        throw new UsageError(
          `${count} couplers make 2^${count} combinations; at most ${MAX_COMBINED} couplers can be listed.`,
        );
      const combinations = listCombinations(network)!;
      return json({
        combinations: combinations.map(({ engaged, status, mobility, ratio }) => ({
          engaged,
          status,
          mobility,
          ratio: ratio && toFraction(ratio),
        })),
      });
    }
    case 'trace': {
      const options = readOptions(rest, ['position', 'losses', 'convention', 'sets']);
      const train = readTrain(options.file);
      return traceText(train, {
        position: knownPosition(train, options.position),
        losses: options.losses,
        convention: options.convention,
        sets: options.sets,
      });
    }
    case 'chart':
      return json(chartJson(readTrain(readOptions(rest, []).file)));
    case 'shifts': {
      const options = readOptions(rest, ['from', 'to']);
      const train = readTrain(options.file);
      const ends = [options.from, options.to].flatMap((id) => {
        const known = knownPosition(train, id);
        return train.positions.filter((position) => position.id === known);
      });
      const [from, to] = ends;
      return json(shiftsJson(train, from && to ? [from, to] : null));
    }
    case 'influence':
      return json(influenceJson(readTrain(readOptions(rest, []).file)));
    case 'find':
      return json(findJson(readOptions(rest, []).file));
    case 'points': {
      const { file, scenario } = readOptions(rest, ['scenario']);
      return json(pointsJson(readTrain(file), scenario));
    }
    case 'run': {
      const { file, scenario, csv } = readOptions(rest, ['scenario', 'csv']);
      return csv ? runCsv(readTrain(file), scenario) : json(runJson(readTrain(file), scenario));
    }
    case 'travel':
      return json(travelJson(readTrain(readOptions(rest, []).file)));
    case 'measure': {
      const { file, log } = readOptions(rest, ['log']);
      return json(measureJson(readTrain(file), log));
    }
    case 'diagnose': {
      const { file, seen } = readOptions(rest, ['seen']);
      return json(diagnoseJson(readTrain(file), seen));
    }
    case 'practice': {
      const { file, seed, count, skill } = readOptions(rest, ['seed', 'count', 'skill']);
      return json(practiceJson(readTrain(file), { seed, count, skill }));
    }
    case 'parts': {
      const { file, ...options } = readOptions(rest, ['speed', 'torque', 'csv', 'markdown']);
      return partsText(readTrain(file), options);
    }
    case 'gear':
      return gearFile(rest);
    case 'check': {
      const { file } = readOptions(rest, []);
      const { name, members, gears, meshes, couplers, positions } = readTrain(file);
      return `${name.replace(/\s+/g, ' ')}: a sound document with ${members.length} members, ${gears.length} gears, ${meshes.length} meshes, ${couplers.length} couplers and ${positions.length} positions.\n`;
    }
    default:
      throw new UsageError(
        `there is no command "${command.slice(0, 40)}". The commands are solve, combinations, trace, chart, shifts, influence, find, points, run, travel, measure, diagnose, practice, parts, gear, sheet, check, bundle, unbundle, backup and restore.`,
      );
  }
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;

function knownPosition(train: Train, position: string | undefined): string | undefined {
  if (position === undefined || train.positions.some(({ id }) => id === position)) return position;
  const ids = train.positions.slice(0, 12).map(({ id }) => id);
  throw new UsageError(
    `there is no position "${position}". ${ids.length === 0 ? 'This train has none.' : `This train has ${ids.join(', ')}${train.positions.length > 12 ? ' and more' : ''}.`}`,
  );
}

void said(() => run(process.argv.slice(2)));
