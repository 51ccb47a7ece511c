import { sweepLayouts } from '../../testing/sweep';

// As they are: a field that is filled in may take the place of what another would have been reckoned from.
sweepLayouts((layout) => layout, 600);
