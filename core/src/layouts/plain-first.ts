import { numbered } from '../day/usual-day.js';
import type { JobDocument, WorkDayDocument } from '../rig/day-schema.js';
import type { RigDocument } from '../rig/schema.js';
import { withDownstream } from './chemical-sides.js';
import { boxTank, emptyRig, gun, line, parts, pressureRun, washer } from './pieces.js';

/** Two walls and a yard between them to fill up again. */
function winterDay(): WorkDayDocument {
  const wall = (id: string, name: string, refill: boolean): JobDocument => ({
    id,
    name,
    water: 'none',
    phases: numbered([
      { kind: 'drive', time: '20 min', crew: 'all' },
      ...(refill ? [{ kind: 'refill', time: '40 min', crew: 'all', place: 'spring' } as const, { kind: 'drive', time: '10 min', crew: 'all' } as const] : []),
      { kind: 'wash', time: '55 min', crew: '1', trigger: '60 %' },
      { kind: 'move', time: '10 min', crew: 'all' },
    ]),
  });
  return {
    starts: '8:30',
    season: 'winter',
    tolerance: '2 %',
    refills: [{ id: 'spring', name: 'Valley spring', flow: '12 gpm' }],
    jobs: [wall('chapel', 'Chapel wall', false), wall('steps', 'Market steps', true)],
  };
}

/** One tank of carried water, one machine, one reel, a dump valve and a hand-wash tap: for sites without a spigot. */
export function plainFirst(): RigDocument {
  const rig: RigDocument = {
    ...emptyRig('First rig', 'Hill village'),
    notes: 'The village shuts its taps in winter: all water rides along.',
    brief: { job: '60 min', triggerShare: '60 %', water: '48 °F', altitude: '3200 ft', day: winterDay() },
    tanks: [boxTank('water', 'Water', ['60 in', '36 in', '32 in'], { base: '2 in' })],
    machines: [washer('washer-a', 'Washer', '4 gpm', '3500 psi', '13 hp')],
    outlets: [gun('gun-a', 'Gun', '4.5', '2900 psi')],
    reels: [
      { id: 'hose-reel', name: 'Hose reel', line: 'hose-a', flange: '18 in', core: '10 in', width: '18 in', place: 'kerb', row: '1', swivel: 'stainless' },
    ],
    lines: [
      line(
        'feed-a',
        'feed',
        'tank:water@2 in',
        'machine:washer-a',
        parts('bulkhead-1', 'ball-valve-full-1', 'strainer-1', 'barb-1', ['hose-helix-1', { length: '5 ft' }], 'elbow-90-1', 'barb-1'),
      ),
      line('hose-a', 'pressure', 'machine:washer-a', 'outlet:gun-a', pressureRun('38', '150 ft', '50 ft')),
      line(
        'return-a',
        'bypass',
        'machine:washer-a',
        'tank:water@28 in~40 in',
        parts('barb-34', ['hose-helix-34', { length: '6 ft', name: 'Return hose 3/4 in' }]),
      ),
      line('dump', 'dump', 'tank:water@1 in', 'open@-10 in', parts('bulkhead-1-12', 'ball-valve-full-1-12', ['pipe-1-12', { length: '2 ft' }])),
      line('hand-wash', 'dump', 'tank:water@4 in', 'open@-4 in', parts('bulkhead-12', 'ball-valve-full-12')),
    ],
  };
  return withDownstream(rig, { outlet: 'gun-a' });
}
