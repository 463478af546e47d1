import fs from 'node:fs';

interface Node {
  id: string;
  xM: number;
  yM: number;
}
interface File {
  name: string;
  nodes: Node[];
  runs: object[];
  pads: object[];
  anchors: object[];
  plates: object[];
  embeds: object[];
  pours: { code: string; elements: string[]; callOff?: object[] }[];
}

/**
 * A made-up site of many runs: footings on a grid, poured in so many pours of as many runs each;
 * mixes, types and plant of the demo.
 */
export function bigSite(columns: number, rows: number, pours = 1): { file: string; runs: number } {
  const demo = JSON.parse(fs.readFileSync('demo/sites/quillback.json', 'utf8')) as File;
  const nodes: Node[] = [];
  const runs: {
    id: string;
    kind: string;
    type: string;
    from: string;
    to: string;
    bottomM: number;
  }[] = [];
  for (let r = 0; r < rows; r += 1)
    for (let c = 0; c < columns; c += 1) {
      nodes.push({ id: `G${r}.${c}`, xM: c * 4.5, yM: r * 4 });
      const add = (to: string) => {
        runs.push({
          id: `R${runs.length + 1}`,
          kind: 'footing',
          type: (r + c) % 7 === 0 ? 'F2' : 'F1',
          from: `G${r}.${c}`,
          to,
          bottomM: 28.8544,
        });
      };
      if (c + 1 < columns) add(`G${r}.${c + 1}`);
      if (r + 1 < rows) add(`G${r + 1}.${c}`);
    }
  const pour = demo.pours.find((p) => p.code === 'P3');
  if (!pour) throw new Error('demo site');
  const settings = (pour as unknown as { settings: object }).settings;
  const file = {
    ...demo,
    name: 'Plumtree Yard, Stonebeck',
    nodes,
    runs,
    pads: [],
    anchors: [],
    plates: [],
    embeds: [],
    pours: Array.from({ length: pours }, (_, i) => ({
      ...pour,
      code: `B${i + 1}`,
      title: pours === 1 ? 'All footings' : `Footings ${i + 1}`,
      elements: runs
        .slice(Math.round((i * runs.length) / pours), Math.round(((i + 1) * runs.length) / pours))
        .map((r) => r.id),
      settings: { ...settings, startAt: 0 },
    })),
  };
  return { file: JSON.stringify(file), runs: runs.length };
}
