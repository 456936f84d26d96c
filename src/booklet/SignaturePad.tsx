'use client';

import type { KeyboardEvent } from 'react';
import { useEffect, useRef, useState } from 'react';
import Pad from 'signature_pad';
import type { Signature } from '@/model/proposalInputs';

type Strokes = ReturnType<Pad['toData']>;

/** The strokes as one path of moves and lines, in whole pixels. */
function pathOf(strokes: Strokes): string {
  return strokes
    .map(({ points }) =>
      points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join(''),
    )
    .join('')
    .slice(0, 60000);
}

const directions: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The pen that the keys move. */
interface Pen {
  readonly x: number;
  readonly y: number;
  readonly down: boolean;
}

/**
 * A field to draw a signature in, with finger, pen, mouse or keys: arrows move the pen (with Shift in long steps), the space
 * bar sets it down and lifts it.
 */
export function SignaturePad({ change }: { change: (signature: Signature | null) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<Pad | null>(null);
  const [pen, setPen] = useState<Pen | null>(null);
  const told = useRef<() => void>(() => undefined);

  useEffect(() => {
    const field = canvas.current!;
    const scale = Math.max(window.devicePixelRatio, 1);
    field.width = field.offsetWidth * scale;
    field.height = field.offsetHeight * scale;
    field.getContext('2d')!.scale(scale, scale);
    const made = new Pad(field, { penColor: getComputedStyle(field).color });
    pad.current = made;
    const tell = () => {
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
    told.current = tell;
    made.addEventListener('endStroke', tell);
    return () => made.off();
  }, [change]);

  /** Goes on with the last stroke, or begins one. */
  const draw = (x: number, y: number, begin: boolean) => {
    const made = pad.current!;
    const strokes = made.toData();
    const point = { x, y, pressure: 0.5, time: Date.now() };
    const last = strokes.at(-1);
    const { dotSize, minWidth, maxWidth, penColor, velocityFilterWeight, compositeOperation } = made;
    const style = { dotSize, minWidth, maxWidth, penColor, velocityFilterWeight, compositeOperation };
    made.fromData(
      begin || !last
        ? [...strokes, { ...style, points: [point] }]
        : [...strokes.slice(0, -1), { ...last, points: [...last.points, point] }],
    );
    told.current();
  };
  const keyed = (event: KeyboardEvent<HTMLCanvasElement>) => {
    const field = canvas.current!;
    const now = pen ?? { x: field.offsetWidth / 5, y: field.offsetHeight / 2, down: false };
    const toward = directions[event.key];
    if (event.key === ' ') {
      event.preventDefault();
      if (!now.down) draw(now.x, now.y, true);
      setPen({ ...now, down: !now.down });
    } else if (toward) {
      event.preventDefault();
      const step = event.shiftKey ? 16 : 4;
      const within = (value: number, most: number) => Math.min(Math.max(value, 2), most - 2);
      const x = within(now.x + toward[0] * step, field.offsetWidth);
      const y = within(now.y + toward[1] * step, field.offsetHeight);
      if (now.down) draw(x, y, false);
      setPen({ ...now, x, y });
    }
  };

  return (
    <div className="pad">
      <div className="pad-field">
        <canvas
          ref={canvas}
          tabIndex={0}
          role="img"
          aria-label="Draw your signature here"
          aria-describedby="pad-keys"
          onKeyDown={keyed}
          onBlur={() => setPen(null)}
        />
        {pen && (
          <span
            className={pen.down ? 'pad-pen pad-pen-down' : 'pad-pen'}
            style={{ left: pen.x, top: pen.y }}
            aria-hidden="true"
          />
        )}
      </div>
      <p id="pad-keys" className="small soft">
        With keys: arrows move the pen, the space bar sets it down and lifts it.
      </p>
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
