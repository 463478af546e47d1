import { expect, test } from '@jest/globals';
import { demoSite } from '../testdata/demo.ts';
import { formSystemText } from './forms.ts';

test('a form system is said in a line, in the site’s units, without what its maker does not give', () => {
  const [panels] = demoSite('quillback').formSystems;
  if (!panels) throw new Error('the demo has no forms');
  expect(formSystemText(panels, 'us')).toBe(
    'holds 1000 psf, panels 3 ft 0 in wide, 5 ties a joint in 9 ft 0 in, 2 walers, a brace every 10 ft 0 in that only pushes',
  );
  const foam = { ...panels, kind: 'foam' as const, greatestLiftM: 1.2, brace: null };
  expect(formSystemText(foam, 'metric')).toMatch(
    /^holds 47\.9 kPa, foam blocks 0\.91.* m long, lifts up to 1\.20 m, no braces$/,
  );
});
