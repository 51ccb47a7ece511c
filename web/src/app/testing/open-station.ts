import type { Type } from '@angular/core';
import { applyPatches } from 'immer';
import { TestBed } from '@angular/core/testing';
import { LAYOUTS, parseRig, readRig, usualDayDocument } from '@pozzo/core';
import { FakeRig } from './fake-rig';
import { bench, render } from './render';

/** A rig with its day written down, opened at a station. */
export function openStation(id: string, name: string, station: Type<unknown>) {
  TestBed.resetTestingModule();
  const doc = LAYOUTS.find((l) => l.id === id)!.make();
  doc.brief.day = usualDayDocument(parseRig(doc));
  const made = bench(new FakeRig(doc));
  if (name === 'Work day') made.day.work(4);
  return { ...made, ...render(station), doc };
}
export type Opened = ReturnType<typeof openStation>;

/**
 * One station for many tries. Each begins at the rig as it was: in the view of the try before, where that comes back to the
 * same `marks` as at first, or else in a new one.
 */
export function openAgain(id: string, name: string, station: Type<unknown>, marks: (s: Opened) => string): { again: () => Opened; close: () => void } {
  let now = openStation(id, name, station);
  const first = marks(now);
  return {
    again: () => {
      now.rig.open(now.doc);
      now.rig.labels.length = now.rig.steps.length = 0;
      now.fixture.detectChanges();
      if (marks(now) === first) return now;
      now.fixture.destroy();
      return (now = openStation(id, name, station));
    },
    close: () => now.fixture.destroy(),
  };
}

/** The rig reads, and judging it throws nothing; what the fake does at every edit. Undone and done again each edit gives what was there, to the letter. */
export function expectSound(rig: FakeRig, what: string): void {
  const read = readRig(rig.document());
  if (!read.ok) throw new Error(`${what}: ${read.problems[0].path}: ${read.problems[0].message}`);
  for (const { before, after, patches, inverse } of rig.steps) {
    expect([what, applyPatches(after, inverse)]).toEqual([what, before]);
    expect([what, applyPatches(before, patches)]).toEqual([what, after]);
  }
}
