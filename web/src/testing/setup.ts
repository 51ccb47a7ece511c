import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv();

// A page without layout scrolls nothing.
Element.prototype.scrollIntoView = () => undefined;
