import { lineWords } from '../rig/words.js';
import { message } from '../working/figure.js';
import { lineAt } from '../edit/draft.js';
import type { Rule } from './rule.js';

export const openRules: Rule = (_finding, _rig, doc) =>
  doc.lines
    .filter((l) => l.closed && (l.role === 'feed' || l.role === 'boost' || l.role === 'pressure'))
    .map((l) => ({
      id: `open-${l.id}`,
      title: message('Open the valve of {line}', { line: `the ${lineWords(doc, l)}` }),
      change: (d) => {
        delete lineAt(d, l.id).closed;
      },
    }));
