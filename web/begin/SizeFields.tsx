import { QuantityField } from '../ui/QuantityField.tsx';
import type { Sizes, SketchWork } from './useSketch.ts';

/** Sizes of what is drawn: the usual ones stand there and are typed over. */
export function SizeFields({ work }: { work: SketchWork }) {
  const { draft, sketch } = work;
  const { shape, madeOf } = draft;
  const field = (name: keyof Sizes, label: string, valueM: number) => (
    <QuantityField
      key={name}
      label={label}
      quantity={name === 'wallHeightM' ? 'M' : 'Mm'}
      units={draft.units}
      value={name === 'wallHeightM' ? valueM : valueM * 1000}
      onChange={(v) => {
        if (v !== null) work.size({ [name]: name === 'wallHeightM' ? v : v / 1000 });
      }}
    />
  );
  const footings = shape !== 'pads' && (shape === 'beam' || madeOf !== 'wall');
  const walls = shape !== 'pads' && shape !== 'beam' && madeOf !== 'footing';
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
      {footings &&
        field('footingWidthM', shape === 'beam' ? 'beam' : 'footing', sketch.footing.widthM)}
      {footings && field('footingDepthM', 'deep', sketch.footing.depthM)}
      {walls && field('wallThicknessM', 'wall', sketch.wall.thicknessM)}
      {walls && field('wallHeightM', 'high', sketch.wallHeightM)}
      {shape === 'pads' && field('padWidthM', 'pad, west to east', sketch.pad.widthM)}
      {shape === 'pads' && field('padLengthM', 'north to south', sketch.pad.lengthM)}
      {shape === 'pads' && field('padDepthM', 'deep', sketch.pad.depthM)}
    </div>
  );
}
