import { z } from 'zod';
import { QUANTITIES, quantityOfField } from '#core/units';
import { siteFileShape } from './site-file.ts';
import { FIELD_WORDS } from './site-file-words.ts';

/** A schema as JSON Schema says it, as much of it as is read here. */
interface Said {
  type?: string;
  properties?: Record<string, Said>;
  required?: string[];
  items?: Said;
  anyOf?: Said[];
  oneOf?: Said[];
  default?: unknown;
}

/** One field of a site file. */
export interface SiteField {
  path: string;
  means: string;
  unit: string;
  /** What it is when it is left out: `needed`, a value, or nothing. */
  otherwise: string;
}

/** What a field means: by its whole path, its last two names, or its last. */
function wordsOf(path: string): string | undefined {
  const names = path.split('.');
  const last = names.at(-1) ?? '';
  return FIELD_WORDS[path] ?? FIELD_WORDS[names.slice(-2).join('.')] ?? FIELD_WORDS[last];
}

const SHARES = new Set(['wasteRatio', 'sdRatio', 'airRatio', 'share']);
/** The unit of the file: SI, whatever the site shows. */
function unitOf(name: string): string {
  if (SHARES.has(name)) return '0 to 1';
  const quantity = quantityOfField(name.replace('[]', ''));
  if (quantity === null || quantity === 'Ratio') return '';
  return QUANTITIES[quantity].metric.unit;
}

/** A field that may be null is what it is besides. */
function bare(said: Said): Said {
  const options = (said.anyOf ?? said.oneOf ?? []).filter((o) => o.type !== 'null');
  const [only] = options;
  return options.length === 1 && only
    ? { ...only, ...(said.default === undefined ? {} : { default: said.default }) }
    : said;
}

const otherwiseOf = (said: Said, needed: boolean): string => {
  if (said.default !== undefined) return `\`${JSON.stringify(said.default)}\``;
  return needed ? 'needed' : '';
};

/** Every field below a schema, in the order of the file. */
function fieldsOf(said: Said, path: string, needed: boolean): SiteField[] {
  const own = bare(said);
  const at = own.type === 'array' ? `${path}[]` : path;
  const inner = own.type === 'array' && own.items ? bare(own.items) : own;
  const row: SiteField[] =
    path === ''
      ? []
      : [
          {
            path: at,
            means: wordsOf(at) ?? '',
            unit: unitOf(at.split('.').at(-1) ?? ''),
            otherwise: otherwiseOf({ ...own, ...said }, needed),
          },
        ];
  const below = Object.entries(inner.properties ?? {}).flatMap(([name, field]) =>
    fieldsOf(field, at === '' ? name : `${at}.${name}`, (inner.required ?? []).includes(name)),
  );
  return [...row, ...below];
}

/** Every field of a site file with its meaning, unit and what it is when left out. */
export const siteFields = (): SiteField[] =>
  fieldsOf(
    z.toJSONSchema(siteFileShape, { io: 'input', unrepresentable: 'any' }) as Said,
    '',
    true,
  );

/** Where the page is made: between these lines. */
const FIELDS_BEGIN = '<!-- fields: written by `npm run docs` -->';
const FIELDS_END = '<!-- end of fields -->';

/** The page with its table of fields made anew. @param page as it stands, with the two lines in it */
export function withFields(page: string): string {
  const rows = siteFields().map(
    (f) => `| \`${f.path}\` | ${f.means} | ${f.unit} | ${f.otherwise} |`,
  );
  const table = ['| field | meaning | unit | left out |', '| --- | --- | --- | --- |', ...rows];
  const [before = '', rest = ''] = page.split(FIELDS_BEGIN);
  const after = rest.split(FIELDS_END)[1] ?? '';
  return `${before}${FIELDS_BEGIN}\n\n${table.join('\n')}\n\n${FIELDS_END}${after}`;
}
