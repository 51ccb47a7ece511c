import { buildNode, buildWeb, install } from './steps.mjs';

install();
buildNode();
buildWeb();
