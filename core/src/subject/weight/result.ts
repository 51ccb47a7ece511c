import type { Figure, Message } from '../../working/figure.js';
import type { Slosh } from '../../structure/slosh.js';
import type { Weighed } from '../../solve/weigh.js';
import type { Verdict } from '../verdict.js';

/** Something that carries, what is on it and what it is made for, kg. */
export interface Limit {
  readonly id: string;
  readonly name: string;
  readonly loadKg: number;
  readonly ratingKg: number;
}

/** Loads of one filling. */
export interface WeightState extends Weighed {
  /** `full`, `half`, `empty`, `start`, `end`, `only:<tank>`, `without:<tank>`, `worst:<limit>`. */
  readonly id: string;
  readonly name: Message;
  /** Whether it goes on the road and so is judged. */
  readonly driven: boolean;
  readonly limits: readonly Limit[];
  readonly payloadLeftKg: number;
  /** Of the tongue, of the trailer's weight. */
  readonly tongueShare: number | undefined;
  /** Of the steering axle: the vehicle's own, or the one that tows. */
  readonly steerShare: number | undefined;
}

export interface TankSlosh {
  readonly tankId: string;
  readonly depthM: number;
  readonly along: Slosh;
  readonly across: Slosh;
  /** Across two tanks of half the width, or with a baffle in the middle. */
  readonly halved: Slosh;
}

export interface WeightResult {
  /** False while something with a mass has no place: loads are then those of what is placed, and nothing is called within ratings. */
  readonly judged: boolean;
  readonly unplaced: readonly string[];
  readonly unplacedKg: number;
  readonly states: readonly WeightState[];
  /** Of the state that weighs most on the road. */
  readonly heaviest: string;
  readonly gross: Figure;
  readonly axles: readonly Figure[];
  readonly tongue: Figure | undefined;
  readonly payload: Figure;
  readonly street: Figure;
  readonly rollover: Figure;
  readonly slosh: readonly TankSlosh[];
  /** Axle and tongue against the share of water on board, kg. */
  readonly curve: { readonly share: readonly number[]; readonly axles: readonly (readonly number[])[]; readonly tongue: readonly number[] };
  /** What shelves carry of what they are made for, kg. */
  readonly shelves: readonly { readonly gearId: string; readonly loadKg: number; readonly ratingKg: number | undefined }[];
  readonly ticket: { readonly state: string; readonly axles: readonly number[]; readonly tongueKg: number | undefined } | undefined;
  /** On the steepest site: weight on the coupling when it is unhitched. */
  readonly slope: { readonly tongueKg: number | undefined } | undefined;
  readonly verdict: Verdict;
}

export interface WeightAnswers {
  /** Undefined while the rig has no platform. */
  readonly weight: WeightResult | undefined;
}
