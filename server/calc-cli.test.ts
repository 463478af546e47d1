import { describe, expect, test } from '@jest/globals';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';

/** The register's command line, as other programs run it. */
const calc = (args: string[], input = '') =>
  spawnSync(process.execPath, ['scripts/bundled.mjs', 'calc', ...args], {
    input,
    encoding: 'utf8',
  });

describe('npm run calc', () => {
  test('--list names the calculations this slice must have', () => {
    const ids = calc(['--list'])
      .stdout.split('\n')
      .map((l) => l.split(' ')[0]);
    expect(ids).toEqual(
      expect.arrayContaining([
        'takeoff',
        'cover-verdict',
        'spacing-verdict',
        'lap-length',
        'slump-verdict',
        'order-quantity',
        'truck-plan',
        'strength-forecast',
        'pour-simulation',
      ]),
    );
  });

  test('one case answers result, steps and cautions', () => {
    const out = calc(
      ['slump-verdict'],
      '{"targetMm":101.6,"kind":"nominal","measuredMm":127,"standard":"astm","at":"truck"}',
    );
    expect(out.status).toBe(0);
    expect(JSON.parse(out.stdout)).toMatchObject({
      result: { verdict: 'accept', marginMm: 0 },
      steps: [{ symbol: 'low' }, { symbol: 'high' }, { symbol: 'margin' }],
      cautions: [],
    });
  });

  test.each([
    ['{"targetMm":"four"}', 'targetMm', 'must be a number'],
    ['{"targetMm":100}', 'kind', 'is missing'],
    [
      '{"targetMm":0,"kind":"nominal","measuredMm":1,"standard":"astm","at":"truck"}',
      'targetMm',
      'must be above 0',
    ],
    ['{oops', '', 'is not JSON'],
  ])('%s exits 2 with one line of JSON that names %s', (input, path, message) => {
    const out = calc(['slump-verdict'], input);
    expect(out.status).toBe(2);
    expect(out.stderr.trim().split('\n')).toHaveLength(1);
    const { error } = JSON.parse(out.stderr) as {
      error: { message: string; issues: { path: string; message: string }[] };
    };
    expect(error.issues.find((i) => i.path === path)?.message).toBe(message);
  });

  test('a batch keeps its order; a bad case takes its own place and the rest still run', () => {
    const cases = [
      {
        id: 'takeoff',
        input: JSON.parse(fs.readFileSync('demo/sites/kestrel.json', 'utf8')) as unknown,
      },
      { id: 'nothing', input: {} },
      { id: 'cover-verdict', input: {} },
      {
        id: 'cover-verdict',
        input: { specifiedMm: 50, memberDepthMm: 300, readingsMm: [50], profile: 'en13670' },
      },
    ];
    const out = calc(['--batch'], JSON.stringify(cases));
    expect(out.status).toBe(0);
    expect(JSON.parse(out.stdout)).toMatchObject([
      { result: { totals: {} } },
      { error: { issues: [{ path: 'id' }] } },
      { error: { issues: [{ path: 'specifiedMm', message: 'is missing' }, {}, {}, {}] } },
      { result: { verdict: 'ok' } },
    ]);
  });
});
