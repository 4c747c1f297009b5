/** What so many stages would mean, before anything is searched. */
export interface StageChoice {
  readonly stages: number;
  /** The equal ratio of each stage, above 1: target^(1/n) or its inverse. */
  readonly perStage: number;
  /** Teeth of the larger wheel of each stage on the smallest pinion allowed. */
  readonly largestWheel: number;
  readonly meshes: number;
  /** Share of the power kept: η^n. */
  readonly kept: number;
}

/** For 1 to 6 stages. @param efficiency of one mesh, above 0 and at most 1. */
export function stageChoices(target: number, pinion: number, efficiency: number): readonly StageChoice[] {
  return [1, 2, 3, 4, 5, 6].map((stages) => {
    const perStage = Math.max(target, 1 / target) ** (1 / stages);
    return {
      stages,
      perStage,
      // A whole number of teeth that floating point leaves a hair above is that number.
      largestWheel: Math.ceil(pinion * perStage - 1e-9),
      meshes: stages,
      kept: efficiency ** stages,
    };
  });
}
