import { useMemo, useState } from 'react';
import { entries } from '#core/log';
import { evaluate } from '#core/kit';
import { cornersOf, type Rectangle, squareness, squareWords } from '#core/setout';
import { distanceText, lengthText } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { LinePanel } from './LinePanel.tsx';

/** Square by diagonals: four corners, four sides, two diagonals, and which two corners to move. */
export function SquarePanel({ id }: { id: string }) {
  const v = usePour();
  const figures = useMemo(
    () => cornersOf(v.record.site, v.record.pour.elements),
    [v.record.site, v.record.pour.elements],
  );
  const [corners, setCorners] = useState<string[]>(() => figures[0]?.corners ?? []);
  const figure = figures.find((f) => f.corners.join() === corners.join()) ?? figures[0];
  const [sides, setSides] = useState<(number | null)[]>([null, null, null, null]);
  const [diagonals, setDiagonals] = useState<(number | null)[]>([null, null]);
  const last = entries(v.state, 'square').at(-1);
  const whole = [...sides, ...diagonals].every((x): x is number => x !== null && x > 0);
  const input = whole
    ? {
        s12M: sides[0] as number,
        s23M: sides[1] as number,
        s34M: sides[2] as number,
        s41M: sides[3] as number,
        d13M: diagonals[0] as number,
        d24M: diagonals[1] as number,
      }
    : null;
  const worked = input ? evaluate(squareness, input) : null;
  const shown = worked?.result ?? null;
  const kept = last
    ? evaluate(squareness, {
        s12M: last.body.sidesM[0] as number,
        s23M: last.body.sidesM[1] as number,
        s34M: last.body.sidesM[2] as number,
        s41M: last.body.sidesM[3] as number,
        d13M: last.body.diagonalsM[0] as number,
        d24M: last.body.diagonalsM[1] as number,
      }).result
    : null;
  return (
    <>
      {figure ? (
        <section className="flex flex-col gap-3" aria-label="Square">
          <div className="flex flex-wrap gap-2" role="group" aria-label="Corners">
            {figures.map((f) => (
              <button
                key={f.corners.join()}
                type="button"
                className="chip"
                aria-pressed={f === figure}
                onClick={() => {
                  setCorners(f.corners);
                  setSides([null, null, null, null]);
                  setDiagonals([null, null]);
                }}
              >
                {f.corners.join(' ')}
              </button>
            ))}
          </div>
          <p>
            By the drawing: sides{' '}
            <T>
              {figure.sidesM
                .slice(0, 2)
                .map((m) => distanceText(m, v.units))
                .join(' and ')}
            </T>
            , both diagonals{' '}
            <b className="big whitespace-nowrap text-[28px]">
              <T>{distanceText(figure.diagonalM, v.units)}</T>
            </b>
          </p>
          <Sides sides={sides} figure={figure} setSides={setSides} />
          <Diagonals diagonals={diagonals} figure={figure} setDiagonals={setDiagonals} />
          {shown && input && (
            <p className="text-[18px] leading-6" aria-live="polite" data-square>
              <T>{`Diagonals ${lengthText(Math.abs(shown.differenceM) * 1000, v.units)} apart. `}</T>
              <FigureWithWorking name="what to move" id="squareness" input={input}>
                <b className="font-semibold">
                  <T>{squareWords(shown, figure.corners, v.units)}</T>
                </b>
              </FigureWithWorking>
            </p>
          )}
          <button
            type="button"
            className="btn"
            disabled={!input}
            onClick={() => {
              void v
                .write('square', {
                  corners: figure.corners,
                  sidesM: sides as number[],
                  diagonalsM: diagonals as number[],
                })
                .then(() => {
                  setSides([null, null, null, null]);
                  setDiagonals([null, null]);
                });
            }}
          >
            Log it
          </button>
          {last && kept && (
            <p className="text-ink2">
              Last: {last.body.corners.join(' ')},{' '}
              <T>{squareWords(kept, last.body.corners, v.units)}</T> {last.actor}
            </p>
          )}
        </section>
      ) : (
        <p>These runs hold no four corners with square sides.</p>
      )}
      <LinePanel key={id} id={id} />
    </>
  );
}

function Diagonals({
  diagonals,
  figure,
  setDiagonals,
}: {
  diagonals: (number | null)[];
  figure: Rectangle;
  setDiagonals: (diagonals: (number | null)[]) => void;
}) {
  const v = usePour();
  return (
    <div className="grid grid-cols-2 gap-2">
      {diagonals.map((d, i) => (
        <QuantityField
          key={`${figure.corners.join()}d${i}`}
          label={`${figure.corners[i] ?? ''} across to ${figure.corners[i + 2] ?? ''}`}
          quantity="M"
          units={v.units}
          value={d}
          onChange={(n) => {
            setDiagonals(diagonals.map((x, k) => (k === i ? n : x)));
          }}
          required={false}
        />
      ))}
    </div>
  );
}

function Sides({
  sides,
  figure,
  setSides,
}: {
  sides: (number | null)[];
  figure: Rectangle;
  setSides: (sides: (number | null)[]) => void;
}) {
  const v = usePour();
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
      {sides.map((s, i) => (
        <QuantityField
          key={`${figure.corners.join()}${i}`}
          label={`${figure.corners[i] ?? ''} to ${figure.corners[(i + 1) % 4] ?? ''}`}
          quantity="M"
          units={v.units}
          value={s}
          onChange={(n) => {
            setSides(sides.map((x, k) => (k === i ? n : x)));
          }}
          required={false}
        />
      ))}
    </div>
  );
}
