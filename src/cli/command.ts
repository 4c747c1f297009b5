import { networkOf } from '@/core/kinematics';
import { MAX_COMBINED, combinedCouplers, listCombinations } from '@/core/gear-chart';
import { toFraction } from '@/core/rational';
import { reportTrain } from '@/core/solve';
import { serialiseTrain, type Train } from '@/core/train';
import { listed } from '@/core/words';
import { writeTrain } from '@/core/written-form';
import { diagnoseJson, measureJson } from './bench';
import { bodyJson } from './body';
import { chartJson } from './chart';
import { findJson } from './find';
import { forcesJson } from './forces';
import { gearFile } from './gear';
import { geometryJson } from './geometry';
import { influenceJson } from './influence';
import { readOptions, UsageError } from './options';
import { openTrainFile, readTrainFile } from './read-train';
import { partsText } from './parts';
import { practiceJson } from './practice';
import { pointsJson, runCsv, runJson, travelJson } from './scenario';
import { schemesJson } from './schemes';
import { shiftsJson } from './shifts';
import { traceText } from './trace';
import { programHelp, VERBS, verbHelp } from './verbs';
import { withLoads } from './with-loads';
import { withUnits } from './with-units';
import { modelOf } from '@/core/model';
import { required } from '@/core/required';

/**
 * What `tinwheel` prints for its arguments: the verbs that only read files. @throws UsageError what is wrong with them
 * or with a file.
 */
export function runCommand(argv: readonly string[]): string {
  const [command, ...rest] = argv;
  if (command === undefined || isHelp(command)) return programHelp();
  if (command === '--version') return `tinwheel ${process.env.TINWHEEL_VERSION}\n`;
  const verb = VERBS[command];
  if (verb && rest.some(isHelp)) return verbHelp(verb);
  switch (command) {
    case 'solve': {
      const options = readOptions(rest, ['position', 'speed', 'torque', 'losses', 'reverse-flow', 'load']);
      if (options.reverse && options.loads.length > 0)
        throw new UsageError('--load tells what holds the outputs in drive; it does not go with --reverse-flow.');
      const train = readTrainFile(options.file);
      const asked = { position: knownPosition(train, options.position), losses: options.losses };
      const report = withUnits(reportTrain(modelOf(train).open, { ...asked, reverse: options.reverse }), options);
      return json(options.loads.length > 0 ? withLoads(report, train, { ...asked, loads: options.loads }) : report);
    }
    case 'combinations': {
      const network = networkOf(readTrainFile(readOptions(rest, []).file));
      const count = combinedCouplers(network).length;
      if (count > MAX_COMBINED)
        throw new UsageError(
          `${count} couplers make 2^${count} combinations; at most ${MAX_COMBINED} couplers can be listed.`,
        );
      const combinations = required(listCombinations(network));
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
      const options = readOptions(rest, ['position', 'losses', 'convention', 'sets', 'words']);
      const train = readTrainFile(options.file);
      return traceText(train, {
        position: knownPosition(train, options.position),
        losses: options.losses,
        convention: options.convention,
        sets: options.sets,
        words: options.words,
      });
    }
    case 'chart':
      return json(chartJson(readTrainFile(readOptions(rest, []).file)));
    case 'shifts': {
      const options = readOptions(rest, ['from', 'to']);
      const train = readTrainFile(options.file);
      const ends = [options.from, options.to].flatMap((id) => {
        const known = knownPosition(train, id);
        return train.positions.filter((position) => position.id === known);
      });
      const [from, to] = ends;
      if (from && from === to) throw new UsageError(`--from and --to are both "${from.id}": a shift has two ends.`);
      return json(shiftsJson(train, from && to ? [from, to] : null));
    }
    case 'influence':
      return json(influenceJson(readTrainFile(readOptions(rest, []).file)));
    case 'schemes':
      return json(schemesJson(readOptions(rest, []).file));
    case 'find':
      return json(findJson(readOptions(rest, []).file));
    case 'points': {
      const { file, scenario } = readOptions(rest, ['scenario']);
      return json(pointsJson(readTrainFile(file), scenario));
    }
    case 'run': {
      const { file, scenario, csv } = readOptions(rest, ['scenario', 'csv']);
      return csv ? runCsv(readTrainFile(file), scenario) : json(runJson(readTrainFile(file), scenario));
    }
    case 'travel': {
      const { file, at } = readOptions(rest, ['at']);
      return json(travelJson(readTrainFile(file), at));
    }
    case 'measure': {
      const { file, log } = readOptions(rest, ['log']);
      return json(measureJson(readTrainFile(file), log));
    }
    case 'diagnose': {
      const { file, seen } = readOptions(rest, ['seen']);
      return json(diagnoseJson(readTrainFile(file), seen));
    }
    case 'practice': {
      const { file, seed, count, skill } = readOptions(rest, ['seed', 'count', 'skill']);
      return json(practiceJson(readTrainFile(file), { seed, count, skill }));
    }
    case 'parts': {
      const { file, ...options } = readOptions(rest, ['speed', 'torque', 'csv', 'markdown']);
      return partsText(readTrainFile(file), options);
    }
    case 'geometry':
      return json(geometryJson(readTrainFile(readOptions(rest, []).file)));
    case 'forces': {
      const { file, ...options } = readOptions(rest, ['torque', 'speed', 'position', 'losses', 'reverse-flow']);
      const train = readTrainFile(file);
      return json(forcesJson(train, { ...options, position: knownPosition(train, options.position) }));
    }
    case 'body': {
      const { file, ...options } = readOptions(rest, ['position', 'format', 'output']);
      const train = readTrainFile(file);
      return json(bodyJson(train, { ...options, position: knownPosition(train, options.position) }));
    }
    case 'gear':
      return gearFile(rest);
    case 'check': {
      const { file } = readOptions(rest, []);
      const { train, hints } = openTrainFile(file, { everything: true });
      const { name, members, gears, meshes, couplers, positions } = train;
      return [
        `${name.replace(/\s+/g, ' ')}: a sound document with ${members.length} members, ${gears.length} gears, ` +
          `${meshes.length} meshes, ${couplers.length} couplers and ${positions.length} positions.\n`,
        ...hints.map((hint) => `${hint}\n`),
      ].join('');
    }
    case 'write':
      return writeTrain(readTrainFile(readOptions(rest, []).file));
    case 'read':
      return serialiseTrain(readTrainFile(readOptions(rest, []).file));
    default:
      throw new UsageError(
        `there is no command "${command.slice(0, 40)}". The commands are ${listed(Object.keys(VERBS))}.`,
      );
  }
}

const isHelp = (argument: string): boolean => argument === '--help' || argument === '-h';

const json = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;

function knownPosition(train: Train, position: string | undefined): string | undefined {
  if (position === undefined || train.positions.some(({ id }) => id === position)) return position;
  const ids = train.positions.slice(0, 12).map(({ id }) => id);
  throw new UsageError(
    `there is no position "${position}". ` +
      (ids.length === 0
        ? 'This train has none.'
        : `This train has ${ids.join(', ')}${train.positions.length > 12 ? ' and more' : ''}.`),
  );
}
