import type { Assessment, Finding } from '../assess/types.js';
import type { Rig, RigDocument } from '../rig/schema.js';
import { bufferRules, tieRules } from './rules/buffer-rules.js';
import {
  airRules,
  antifreezeRules,
  attackRules,
  batteryRules,
  checkRules,
  flushRules,
  jetRules,
  liftRules,
  mixRules,
  neverRules,
  siphonRules,
  stockRules,
  tankPracticeRules,
} from './rules/chemical-rules.js';
import { feedRules, openRules } from './rules/feed-rules.js';
import { gunRules, machineRules, setRules, surfaceRules } from './rules/gun-rules.js';
import { reelRules, runRules } from './rules/reel-rules.js';
import type { Candidate, Rule } from './rules/shared.js';
import { bypassRules, outletRules, ventRules } from './rules/tank-rules.js';

const RULES: Readonly<Record<string, Rule>> = {
  'runs-dry': bufferRules,
  'runs-dry-poor': bufferRules,
  'little-reserve': bufferRules,
  'feed-starved': feedRules,
  'feed-tight': feedRules,
  'suction-fast': feedRules,
  'direct-poor-spigot': feedRules,
  'tie-small': tieRules,
  'no-vent': ventRules,
  'vent-small': ventRules,
  'bypass-hot': bypassRules,
  'return-tight': bypassRules,
  'return-bubbles': bypassRules,
  'reel-small': reelRules,
  'reel-street': reelRules,
  'reel-order': reelRules,
  'reel-cross': reelRules,
  'run-short': runRules,
  'surface-harsh': surfaceRules,
  'nozzle-set': setRules,
  'gun-weak': gunRules,
  'gun-strong': gunRules,
  'unloader-high': machineRules,
  'unloader-cycles': machineRules,
  'engine-small': machineRules,
  'outlet-outside': outletRules,
  'no-feed': openRules,
  'no-gun': openRules,
  'mix-weak': mixRules,
  'mix-strong': mixRules,
  'mix-drifts': mixRules,
  'mix-strays': mixRules,
  'batch-impossible': mixRules,
  'flush-partial': flushRules,
  'no-check': checkRules,
  siphon: siphonRules,
  'jet-low': jetRules,
  'gun-dry': liftRules,
  'gun-thin': liftRules,
  'battery-short': batteryRules,
  'air-short': airRules,
  'air-weak': airRules,
  'stock-short': stockRules,
  'stock-stale': stockRules,
  'use-by': stockRules,
  'fumes-deck': tankPracticeRules,
  'no-drop-tube': tankPracticeRules,
  'bund-small': tankPracticeRules,
  'antifreeze-short': antifreezeRules,
  attacked: attackRules,
  'never-mix': neverRules,
};

/** Changes that might answer a finding. Not every one will: they are re-assessed before anyone sees them. */
export function candidates(finding: Finding, rig: Rig, doc: RigDocument, now: Assessment): Candidate[] {
  return RULES[finding.code]?.(finding, rig, doc, now) ?? [];
}
