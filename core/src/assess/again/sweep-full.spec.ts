import { enriched } from '../../testing/enriched';
import { sweepLayouts } from '../../testing/sweep';

// With every optional field of everything filled in.
sweepLayouts(enriched, 1500);
