'use client';

import { useEffect, useRef } from 'react';
import Pad from 'signature_pad';
import type { Signature } from '@/model/inputs';

/** The strokes as one path of moves and lines, in whole pixels. */
function pathOf(strokes: ReturnType<Pad['toData']>): string {
  return strokes
    .map(({ points }) =>
      points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join(''),
    )
    .join('')
    .slice(0, 60000);
}

/** A field to draw a signature in, with finger, pen or mouse. */
export function SignaturePad({ change }: { change: (signature: Signature | null) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<Pad | null>(null);

  useEffect(() => {
    const field = canvas.current!;
    const scale = Math.max(window.devicePixelRatio, 1);
    field.width = field.offsetWidth * scale;
    field.height = field.offsetHeight * scale;
    field.getContext('2d')!.scale(scale, scale);
    const made = new Pad(field, { penColor: getComputedStyle(field).color });
    pad.current = made;
    const told = () => {
      const path = pathOf(made.toData());
      change(
        path.length < 8
          ? null
          : {
              kind: 'drawn',
              path,
              width: Math.round(field.offsetWidth),
              height: Math.round(field.offsetHeight),
            },
      );
    };
    made.addEventListener('endStroke', told);
    return () => made.off();
  }, [change]);

  return (
    <div className="pad">
      <canvas ref={canvas} aria-label="Draw your signature here" />
      <button
        type="button"
        className="link-button"
        onClick={() => {
          pad.current?.clear();
          change(null);
        }}
      >
        Clear
      </button>
    </div>
  );
}
