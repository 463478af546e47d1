import { type SizeName, sizesWanted } from '#core/begin';
import { QuantityField } from '../ui/QuantityField.tsx';
import type { SketchWork } from './useSketch.ts';

/** Sizes of what is drawn: the usual ones stand there and are typed over. */
export function SizeFields({ work }: { work: SketchWork }) {
  const { draft, sketch, wrong } = work;
  const { shape, madeOf, sizes } = draft;
  const { footing, wall, wallHeightM, pad } = sketch;
  const fields: Record<SizeName, [label: string, valueM: number]> = {
    footingWidthM: [shape === 'beam' ? 'beam' : 'footing', footing.widthM],
    footingDepthM: ['deep', footing.depthM],
    wallThicknessM: ['wall', wall.thicknessM],
    wallHeightM: ['high', wallHeightM],
    padWidthM: ['pad, west to east', pad.widthM],
    padLengthM: ['north to south', pad.lengthM],
    padDepthM: ['deep', pad.depthM],
  };
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
      {sizesWanted(shape, madeOf).map((name) => {
        const [label, drawnM] = fields[name];
        // A height is said in feet or metres, the rest in inches or millimetres.
        const per = name === 'wallHeightM' ? 1 : 1000;
        return (
          <QuantityField
            key={name}
            label={label}
            quantity={per === 1 ? 'M' : 'Mm'}
            units={draft.units}
            value={(sizes[name] ?? drawnM) * per}
            error={wrong.sizes[name]}
            onChange={(v) => {
              if (v !== null) work.size({ [name]: v / per });
            }}
          />
        );
      })}
    </div>
  );
}
