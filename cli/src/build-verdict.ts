import { type Assessment, judgeRig, type Rig, say, SEVERITY_WORDS, type UnitSystem } from '@pozzo/core';

/** A build's verdict as the command line gives it: without the days and the road it rests on. */
export type BuildVerdict = Omit<ReturnType<typeof judgeRig>, 'sample' | 'road'>;

/** What a build is over all, the same whatever is asked of it: its rig, its days and its road, and what nobody set. */
export function buildVerdict(rig: Rig, assessment: Assessment): BuildVerdict {
  const { sample: _sample, road: _road, ...build } = judgeRig(rig, assessment);
  return build;
}

/** The same for people: name and verdict, what it hangs on, what the days say where that is something else, what nobody set. */
export function verdictLines({ name }: Rig, build: BuildVerdict, system: UnitSystem): string[] {
  return [
    `${name}: ${SEVERITY_WORDS[build.scale][build.verdict]}`,
    say(build.headline, system),
    ...(build.days && build.by !== 'days' ? [say(build.days.message, system)] : []),
    ...(build.unchecked ? [say(build.unchecked, system)] : []),
  ];
}
