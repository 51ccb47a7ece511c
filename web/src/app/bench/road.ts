import { computed, inject, type Signal } from '@angular/core';
import { type Finding, roadFinding, type ToDo, todoOf } from '@pozzo/core';
import { DayStore } from '../state/day-store';
import { RigStore } from '../state/rig-store';

/** What the day puts on axles and coupling that no filling tells by itself; of the rig as it stands. */
export function injectRoad(): Signal<Finding | undefined> {
  const [rig, day] = [inject(RigStore), inject(DayStore)];
  return computed(() => {
    const [read, weighed, a] = [rig.rig(), day.weighed(), rig.assessment()];
    return read && weighed && a && day.fits() ? roadFinding(read, weighed, a) : undefined;
  });
}

/** What is left to do, as far as it is known: the days join once they are judged. */
export function injectToDo(road: Signal<Finding | undefined>): Signal<readonly ToDo[] | null> {
  const [rig, day] = [inject(RigStore), inject(DayStore)];
  return computed(() => {
    const [read, a] = [rig.rig(), rig.assessment()];
    return read && a ? todoOf(read, a, day.judged() ?? undefined, road()) : null;
  });
}
