import type { ReactNode } from 'react';

/*
 * Line drawings of the trades, for shelves and for items without a picture: 120 by 80, one stroke, drawn for this product.
 */

const drawings: Readonly<Record<string, ReactNode>> = {
  ground: (
    <>
      <path d="M6 34H114" />
      <path d="M28 34V66H52V34M40 34V16H44V34M76 34V60H98V34M85 34V12H89V34" />
      <path d="M12 42l6-5M14 52l7-6M60 44l7-6M62 56l7-6M104 46l6-5" />
    </>
  ),
  frame: (
    <>
      <path d="M10 14H110M10 20H110M10 62H110M10 68H110" />
      <path d="M16 20V62M22 20V62M40 20V62M46 20V62M66 20V62M72 20V62M92 20V62M98 20V62" />
      <path d="M46 40H66M72 44H92" />
    </>
  ),
  roof: (
    <>
      <path d="M8 58L60 14L112 58" />
      <path d="M20 58L60 24L100 58M60 14V24M34 46V58M60 24V58M86 46V58" />
      <path d="M14 66H106" />
    </>
  ),
  glass: (
    <>
      <path d="M14 10H106V70H14Z" />
      <path d="M45 10V70M76 10V70M14 40H106" />
      <path d="M22 30L36 16M52 32L70 14M84 62L100 46M24 62L38 48" />
    </>
  ),
  floor: (
    <>
      <path d="M10 22H110M10 36H110M10 50H110M10 64H110" />
      <path d="M34 22V36M82 22V36M58 36V50M22 50V64M94 50V64M50 8V22M98 36V50" />
      <path d="M10 8H110V64" />
    </>
  ),
  stairs: (
    <>
      <path d="M10 68H30V56H48V44H66V32H84V20H110" />
      <path d="M20 68V40M56 44V16M92 20V6M20 40L92 6" />
    </>
  ),
  power: (
    <>
      <path d="M60 8V20M60 20C46 20 40 31 40 40C40 50 49 52 50 60H70C71 52 80 50 80 40C80 31 74 20 60 20Z" />
      <path d="M51 66H69M54 72H66M24 40H32M88 40H96M32 18L38 24M88 18L82 24" />
    </>
  ),
  lining: (
    <>
      <path d="M10 10V70H110V10" />
      <path d="M10 22c8 8 12-8 20 0s12 8 20 0 12-8 20 0 12 8 20 0 12-8 20 0" />
      <path d="M10 38c8 8 12-8 20 0s12 8 20 0 12-8 20 0 12 8 20 0 12-8 20 0" />
      <path d="M10 54c8 8 12-8 20 0s12 8 20 0 12-8 20 0 12 8 20 0 12-8 20 0" />
    </>
  ),
  paint: (
    <>
      <path d="M26 10H86V30H26Z" />
      <path d="M86 20H100V44H58V54M52 54H64V74H52Z" />
      <path d="M34 16H78M34 24H62" />
    </>
  ),
  paper: (
    <>
      <path d="M34 8H74L88 22V72H34Z" />
      <path d="M74 8V22H88M44 34H78M44 44H78M44 54H66" />
    </>
  ),
  board: (
    <>
      <path d="M8 52L92 20L112 28L28 62Z" />
      <path d="M8 52V58L28 68L112 34V28M28 62V68" />
      <path d="M30 50L84 30M40 52L66 42" />
    </>
  ),
  post: (
    <>
      <path d="M48 6H66L74 12V70H56L48 64Z" />
      <path d="M48 6L56 12H74M56 12V70M30 70H94" />
    </>
  ),
  sheet: (
    <>
      <path d="M20 14L84 8L104 60L40 70Z" />
      <path d="M20 14V20L40 76L104 66V60M40 70V76" />
    </>
  ),
  bag: (
    <>
      <path d="M36 14H84L88 24V68C88 72 32 72 32 68V24Z" />
      <path d="M36 14L40 24H80L84 14M44 40H76M44 50H70" />
    </>
  ),
  fastener: (
    <>
      <path d="M20 24H36M28 24V66M22 34L34 30M22 42L34 38M22 50L34 46M22 58L34 54M28 66L28 72" />
      <path d="M60 16H104L104 30L74 62H60Z" />
      <path d="M68 24h.1M92 22h.1M68 46h.1" />
    </>
  ),
  door: (
    <>
      <path d="M38 72V8H82V72M30 72H90" />
      <path d="M46 16H74V40H46ZM46 48H74V64H46ZM77 44V48" />
    </>
  ),
  fan: (
    <>
      <path d="M60 6V26M54 26H66V38H54Z" />
      <path d="M54 32C36 24 14 26 10 34C14 42 38 40 54 36M66 32C84 24 106 26 110 34C106 42 82 40 66 36M56 38C50 54 54 70 60 72C66 70 70 54 64 38" />
    </>
  ),
  hours: (
    <>
      <path d="M60 8A32 32 0 1 1 59.9 8M60 18V40L76 50" />
      <path d="M60 12V15M60 65V68M32 40H35M85 40H88" />
    </>
  ),
  tools: (
    <>
      <path d="M16 64L62 24M62 24L54 14L66 6L82 20L74 30Z" />
      <path d="M100 12L44 68L36 72L40 62L94 8Z" />
    </>
  ),
};

/** Which drawing stands for a thing, by the words in its name. */
const things: readonly (readonly [RegExp, keyof typeof drawings])[] = [
  [/\bfan\b/i, 'fan'],
  [/\bdoors?\b/i, 'door'],
  [/window|glass|glaz|screen|skylight|mesh/i, 'glass'],
  [/footing|tube|excavat|dig\b|gravel/i, 'ground'],
  [/concrete|mortar|bag\b|grout|mix\b/i, 'bag'],
  [/screw|nail|bolt|hanger|anchor|bracket|strap|clip|base\b/i, 'fastener'],
  [/stair|step|railing|baluster|rail\b/i, 'stairs'],
  [/\bposts?\b|column/i, 'post'],
  [/plywood|sheath|osb|gypsum|drywall|panel|\bsheet|board, wall/i, 'sheet'],
  [/insul|batt\b|foam/i, 'lining'],
  [/shingle|ridge|gutter|underlay|roof/i, 'roof'],
  [/deck|floor|tile/i, 'floor'],
  [/joist|rafter|stud|beam|board|plank|\b\d×\d|trim|lumber|plate/i, 'board'],
  [/light|outlet|switch|circuit|heat|cable|lamp/i, 'power'],
  [/paint|stain|seal|varnish|caulk/i, 'paint'],
  [/hour|labou?r|crew|clean|haul/i, 'hours'],
];

/** Which drawing stands for a trade, by the words in its name. */
const words: readonly (readonly [RegExp, keyof typeof drawings])[] = [
  [/ground|footing|concrete|mason|slab|founda|earth|site/i, 'ground'],
  [/screen|glass|window|door|glaz/i, 'glass'],
  [/attic|lining|insul|drywall|plaster/i, 'lining'],
  [/roof|gutter|shing/i, 'roof'],
  [/stair|rail/i, 'stairs'],
  [/floor|deck|tile/i, 'floor'],
  [/frame|framing|timber|lumber|carpent|wall/i, 'frame'],
  [/electr|power|light|heat|plumb/i, 'power'],
  [/paint|finish|trim/i, 'paint'],
  [/permit|plan|paper|fee|general|office/i, 'paper'],
];

const first = (list: typeof words, text: string) => list.find(([pattern]) => pattern.test(text))?.[1];

/** A line drawing that stands for a thing of a trade, or for the trade; tools where no word is known. */
export function TradeDrawing({ trade, name = '' }: { readonly trade: string; readonly name?: string }) {
  const key = first(things, name) ?? first(words, trade) ?? 'tools';
  return (
    <svg className="trade-drawing" viewBox="0 0 120 80" aria-hidden="true">
      <g fill="none" stroke="currentColor" strokeWidth="2" strokeLinejoin="round" strokeLinecap="round">
        {drawings[key]}
      </g>
    </svg>
  );
}
