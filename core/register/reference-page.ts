import { SUBJECTS } from './register.ts';
import { RULE_CATALOG, RULE_IDS, type RuleEntry, rulesBehind } from '#core/rules';
import { QUANTITIES } from '#core/units';
import { type Calculation, evaluate, fig, type Step } from '#core/kit';
import { EXAMPLES } from './examples.ts';
import { fieldsOf, type FieldInfo } from './fields-of.ts';

/** The core's unit of a field, as the reference names it. */
function unitOf(f: FieldInfo): string {
  if (f.quantity === 'Ratio') return '0 to 1';
  return f.quantity === null ? '' : QUANTITIES[f.quantity].metric.unit;
}

const kinds: Record<FieldInfo['kind'], string> = {
  number: 'number',
  boolean: 'true or false',
  choice: '',
  text: 'text',
  numbers: 'list of numbers',
  rows: 'list',
  group: 'group',
  other: 'list',
};
const range = (f: FieldInfo): string =>
  [
    f.least === null ? '' : `${f.above ? 'above' : 'from'} ${fig(f.least)}`,
    f.most === null ? '' : `to ${fig(f.most)}`,
  ]
    .filter(Boolean)
    .join(' ');
const cell = (text: string): string => text.replace(/\|/g, '\\|').replace(/\n/g, ' ');

/** What stands where a field is left out. */
function standingOf({ standing, required }: FieldInfo): string {
  if (typeof standing === 'number') return fig(standing);
  if (standing !== undefined && typeof standing !== 'object') return JSON.stringify(standing);
  return required ? 'needed' : 'may be left out';
}

function fieldRows(fields: FieldInfo[], prefix = ''): string[] {
  return fields.flatMap((f) => {
    const what =
      f.kind === 'choice'
        ? f.choices.map((c) => `\`${c}\``).join(', ')
        : [kinds[f.kind], range(f)].filter(Boolean).join(', ');
    const stands = standingOf(f);
    // A whole site or pour is described in its own file format, not here.
    const inner =
      prefix === '' && ['site', 'pour', 'mix', 'plant'].includes(f.name)
        ? []
        : fieldRows(f.fields, `${prefix}${f.name}${f.kind === 'rows' ? '[]' : ''}.`);
    return [`| \`${prefix}${f.name}\` | ${cell(what)} | ${unitOf(f)} | ${stands} |`, ...inner];
  });
}

function stepValue(value: Step['value']): string {
  if (value === null) return 'none';
  return typeof value === 'number' ? fig(value) : cell(String(value));
}
const stepLine = (s: Step): string =>
  `| ${cell(s.symbol)} | ${cell(s.expression)} | ${stepValue(s.value)} | ${cell(s.unit)} |`;
/** Long examples are told by their steps alone. */
const SHOWN_INPUT = 700;

function section(c: Calculation): string {
  const example = EXAMPLES[c.id];
  const { steps, cautions } = evaluate(c, example);
  const input = JSON.stringify(example);
  const whole = c.id === 'takeoff';
  const rules = rulesBehind(c.id);
  return [
    `### ${c.title} (\`${c.id}\`)`,
    '',
    c.purpose,
    '',
    `**Formula.** ${c.formula}`,
    '',
    `**Source.** ${c.source}`,
    '',
    `**Limits.** ${c.limits}`,
    '',
    ...(whole
      ? ['**Input.** A whole site: see [the site file](site-file.md).', '']
      : [
          '| field | what | unit | left out |',
          '| --- | --- | --- | --- |',
          ...fieldRows(fieldsOf(c)),
          '',
        ]),
    ...(rules.length
      ? [
          `**Rules of the site behind it.** ${rules.map((r) => `${RULE_CATALOG[r.rule].title} (\`${r.field}\`)`).join('; ')}.`,
          '',
        ]
      : []),
    '**Worked example.**',
    '',
    ...(input.length <= SHOWN_INPUT ? ['```json', input, '```', ''] : []),
    '| | with the numbers put in | value | unit |',
    '| --- | --- | --- | --- |',
    ...steps.map(stepLine),
    '',
    ...cautions.map((x) => `> ${x}\n`),
  ].join('\n');
}

function rulesTable(): string {
  return [
    '## Rule profiles',
    '',
    'Every value below stands in a profile with its source, and may be changed for a site; the change is shown, with who and when, wherever the value bites.',
    '',
    '| group | rule | us-aci | source | metric-en | source |',
    '| --- | --- | --- | --- | --- | --- |',
    ...RULE_IDS.map((id) => {
      const e: RuleEntry = RULE_CATALOG[id];
      const unit =
        e.quantity === null || e.quantity === 'Ratio'
          ? ''
          : ` ${QUANTITIES[e.quantity].metric.unit}`;
      return `| ${e.group} | ${cell(e.title)} | ${fig(e.us[0])}${unit} | ${cell(e.us[1])} | ${fig(e.metric[0])}${unit} | ${cell(e.metric[1])} |`;
    }),
    '',
  ].join('\n');
}

/** The whole reference page, made from the register alone. */
export function calculationsPage(): string {
  return [
    '# Calculations',
    '',
    'Made from the register by `npm run docs`; a test fails when this page is stale. Fields are in SI, named by their unit. `npm run -s calc -- ID < in.json` runs any of them.',
    '',
    'Jactum helps to measure, work out and record. It does not design structures, formwork or shoring; engineer, inspector, maker’s manual and local code rule over every figure here.',
    '',
    ...SUBJECTS.map(
      (s) =>
        `- ${s.title}: ${s.calculations.map((c) => `[${c.title}](#${anchorOf(c)})`).join(', ')}`,
    ),
    '',
    ...SUBJECTS.flatMap((s) => [`## ${s.title}`, '', ...s.calculations.map(section)]),
    rulesTable(),
  ].join('\n');
}
const anchorOf = (c: Calculation): string =>
  `${c.title} (${c.id})`
    .toLowerCase()
    .replace(/[^\p{L}\p{N} -]/gu, '')
    .replace(/ /g, '-');
