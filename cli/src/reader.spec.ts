import { InputError } from './failure';
import { readerOf } from './reader';

test('whose words is told by --locale, wherever it stands, and is no argument of the command', () => {
  expect(readerOf(['assess', 'rig.json', '--locale', 'en-GB', '--text'], {})).toEqual({ locale: 'en-GB', args: ['assess', 'rig.json', '--text'] });
  expect(readerOf(['--locale=en-US', 'layouts'], { LANG: 'en_GB.UTF-8' })).toEqual({ locale: 'en-US', args: ['layouts'] });
});
test.each<[Record<string, string>, string]>([
  [{}, 'en-US'],
  [{ LANG: 'en_GB.UTF-8' }, 'en-GB'],
  [{ LANG: 'de_DE.UTF-8' }, 'en-US'],
  [{ LC_ALL: 'C', LANG: 'en_GB' }, 'en-US'],
  [{ LC_ALL: '', LC_MESSAGES: 'en_AU', LANG: 'en_US' }, 'en-GB'],
])('left out, the environment %j decides: %s', (environment, locale) => expect(readerOf(['x'], environment)).toEqual({ locale, args: ['x'] }));
test.each([[['--locale']], [['--locale', 'fr']], [['--locale=']]])('%j is refused by what it takes', (args) =>
  expect(() => readerOf(args, {})).toThrow(InputError),
);
