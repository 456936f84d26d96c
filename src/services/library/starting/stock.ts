import type { CostPart, ItemInput, PriceBreaks, UnitCode } from '@/model';
import { rates } from './items';

/* Stock that these bundles are built from: sold by the foot, sheet, bag or yard, with waste and packs. */

type Who = keyof typeof rates;
interface Stock {
  readonly unit: UnitCode;
  readonly material?: string;
  readonly labour?: readonly [hours: string, who: Who];
  readonly more?: CostPart;
  readonly waste?: string;
  readonly pack?: string;
  readonly minimumCharge?: string;
  readonly breaks?: PriceBreaks;
  readonly tags: string;
}

const subcontract = (amount: string): CostPart => ({ type: 'subcontract', amount });

const stock: Readonly<Record<string, readonly [code: string, name: string, of: Stock][]>> = {
  Ground: [
    [
      'GR-110',
      'Concrete, ready-mixed',
      {
        unit: 'cuyd',
        material: '168',
        labour: ['1.1', 'mason'],
        waste: '5',
        tags: 'footing slab pour',
        minimumCharge: '240',
      },
    ],
    [
      'GR-112',
      'Concrete mix, 80 lb bag',
      {
        unit: 'each',
        material: '6.4',
        labour: ['0.12', 'mason'],
        waste: '5',
        pack: '1',
        tags: 'footing bagged',
      },
    ],
    [
      'GR-115',
      'Fibre tube form',
      { unit: 'ft', material: '6.9', labour: ['0.1', 'helper'], waste: '5', tags: 'footing sonotube round' },
    ],
    [
      'GR-118',
      'Hole for a footing, dug by hand',
      { unit: 'cuyd', labour: ['3.2', 'helper'], tags: 'dig excavation' },
    ],
    [
      'GR-120',
      'Post base, galvanised',
      { unit: 'each', material: '18.2', labour: ['0.25', 'carpenter'], tags: 'anchor steel' },
    ],
  ],
  Frame: [
    [
      'FR-110',
      'Lumber 2×8, treated',
      { unit: 'ft', material: '1.42', labour: ['0.028', 'carpenter'], waste: '8', tags: 'joist rim' },
    ],
    [
      'FR-112',
      'Lumber 2×10, treated',
      { unit: 'ft', material: '1.96', labour: ['0.032', 'carpenter'], waste: '8', tags: 'joist beam ledger' },
    ],
    [
      'FR-114',
      'Lumber 2×12, treated',
      { unit: 'ft', material: '2.75', labour: ['0.06', 'carpenter'], waste: '10', tags: 'stair stringer' },
    ],
    [
      'FR-116',
      'Joist hanger, 2×8',
      {
        unit: 'each',
        material: '1.85',
        labour: ['0.06', 'carpenter'],
        waste: '2',
        pack: '25',
        tags: 'bracket steel',
      },
    ],
    [
      'FR-118',
      'Beam, two 2×10, spiked',
      { unit: 'ft', material: '4.1', labour: ['0.12', 'carpenter'], waste: '5', tags: 'girder' },
    ],
    [
      'FR-120',
      'Post 6×6, treated, cut to length',
      { unit: 'ft', material: '4.85', labour: ['0.09', 'carpenter'], waste: '8', tags: 'column' },
    ],
    [
      'FR-122',
      'Stud 2×4',
      { unit: 'ft', material: '0.58', labour: ['0.014', 'carpenter'], waste: '10', tags: 'wall lumber' },
    ],
    [
      'FR-124',
      'Stud 2×6',
      { unit: 'ft', material: '0.92', labour: ['0.016', 'carpenter'], waste: '10', tags: 'wall lumber' },
    ],
    [
      'FR-126',
      'Header, two 2×8 with plywood',
      { unit: 'ft', material: '4.35', labour: ['0.22', 'carpenter'], waste: '5', tags: 'opening lintel' },
    ],
    [
      'FR-128',
      'Wall sheathing 1/2 in',
      {
        unit: 'sqft',
        material: '0.78',
        labour: ['0.016', 'carpenter'],
        waste: '8',
        pack: '32',
        tags: 'plywood panel',
      },
    ],
    [
      'FR-130',
      'Stair tread, treated 5/4',
      { unit: 'ft', material: '2.2', labour: ['0.08', 'carpenter'], waste: '10', tags: 'step' },
    ],
    [
      'FR-132',
      'Stair tread, cedar',
      { unit: 'ft', material: '4.9', labour: ['0.09', 'carpenter'], waste: '10', tags: 'step' },
    ],
    [
      'FR-134',
      'Structural screws',
      { unit: 'each', material: '0.16', waste: '5', pack: '100', tags: 'fastener' },
    ],
    [
      'FR-140',
      'Porch floor board, treated pine',
      { unit: 'ft', material: '1.05', labour: ['0.022', 'carpenter'], waste: '10', tags: 'decking' },
    ],
    [
      'FR-142',
      'Porch floor board, cedar',
      { unit: 'ft', material: '2.3', labour: ['0.024', 'carpenter'], waste: '10', tags: 'decking' },
    ],
    [
      'FR-144',
      'Porch floor board, composite',
      {
        unit: 'ft',
        material: '3.35',
        labour: ['0.026', 'carpenter'],
        waste: '6',
        tags: 'decking',
        breaks: {
          costType: 'material',
          kind: 'whole',
          steps: [
            { from: '500', amount: '3.1' },
            { from: '1500', amount: '2.95' },
          ],
        },
      },
    ],
    [
      'FR-150',
      'Guard post 4×4, treated',
      { unit: 'each', material: '21.5', labour: ['0.55', 'carpenter'], tags: 'railing' },
    ],
    [
      'FR-152',
      'Guard post 4×4, cedar',
      { unit: 'each', material: '38', labour: ['0.55', 'carpenter'], tags: 'railing' },
    ],
    [
      'FR-154',
      'Guard rail 2×4, treated',
      { unit: 'ft', material: '1.1', labour: ['0.05', 'carpenter'], waste: '8', tags: 'railing' },
    ],
    [
      'FR-156',
      'Guard rail 2×4, cedar',
      { unit: 'ft', material: '2.4', labour: ['0.05', 'carpenter'], waste: '8', tags: 'railing' },
    ],
    [
      'FR-158',
      'Baluster, square 1 1/2 in',
      {
        unit: 'each',
        material: '1.9',
        labour: ['0.045', 'carpenter'],
        waste: '3',
        pack: '12',
        tags: 'railing spindle',
      },
    ],
    [
      'FR-160',
      'Baluster, black aluminium',
      {
        unit: 'each',
        material: '3.6',
        labour: ['0.04', 'carpenter'],
        waste: '3',
        pack: '10',
        tags: 'railing spindle',
      },
    ],
  ],
  Roof: [
    [
      'RF-110',
      'Rafter lumber 2×8',
      { unit: 'ft', material: '1.28', labour: ['0.035', 'carpenter'], waste: '8', tags: 'lumber' },
    ],
    [
      'RF-112',
      'Rafter tie to the plate',
      { unit: 'each', material: '1.1', labour: ['0.05', 'carpenter'], pack: '25', tags: 'hurricane steel' },
    ],
    [
      'RF-114',
      'Roof sheathing 1/2 in',
      {
        unit: 'sqft',
        material: '0.86',
        labour: ['0.018', 'carpenter'],
        waste: '8',
        pack: '32',
        tags: 'plywood panel',
      },
    ],
    [
      'RF-116',
      'Underlayment',
      { unit: 'square', material: '11.5', labour: ['0.35', 'roofer'], waste: '10', tags: 'felt' },
    ],
    [
      'RF-118',
      'Shingles, architectural',
      { unit: 'square', material: '118', labour: ['1.9', 'roofer'], waste: '10', tags: 'asphalt' },
    ],
    [
      'RF-120',
      'Standing seam metal',
      { unit: 'square', material: '410', labour: ['3.4', 'roofer'], waste: '7', tags: 'steel' },
    ],
    [
      'RF-122',
      'Drip edge, 10 ft',
      { unit: 'ft', material: '1.15', labour: ['0.03', 'roofer'], waste: '5', pack: '10', tags: 'flashing' },
    ],
    [
      'RF-124',
      'Step and wall flashing',
      { unit: 'ft', material: '3.9', labour: ['0.14', 'roofer'], waste: '8', tags: 'metal' },
    ],
  ],
  'Screens and glass': [
    [
      'SC-110',
      'Screen mesh, fibreglass',
      { unit: 'sqft', material: '0.42', labour: ['0.02', 'carpenter'], waste: '10', tags: 'insect' },
    ],
    [
      'SC-112',
      'Screen mesh, pet-proof',
      { unit: 'sqft', material: '0.95', labour: ['0.022', 'carpenter'], waste: '10', tags: 'insect dog' },
    ],
    [
      'SC-114',
      'Screen channel and cap, aluminium',
      {
        unit: 'ft',
        material: '2.15',
        labour: ['0.05', 'carpenter'],
        waste: '6',
        pack: '8',
        tags: 'track frame',
      },
    ],
    ['SC-116', 'Spline', { unit: 'ft', material: '0.11', waste: '5', pack: '100', tags: 'rubber' }],

    [
      'WI-110',
      'Glazed panel, double, 30×72 in',
      { unit: 'each', material: '386', labour: ['1.6', 'carpenter'], tags: 'sunroom glass' },
    ],
    [
      'WI-112',
      'Glazed panel, triple, 30×72 in',
      { unit: 'each', material: '548', labour: ['1.9', 'carpenter'], tags: 'sunroom glass warm' },
    ],
    [
      'WI-114',
      'Sill, stone-gray composite',
      { unit: 'ft', material: '11.4', labour: ['0.15', 'carpenter'], waste: '6', tags: 'glazing' },
    ],
    [
      'WI-116',
      'Sealing tape and foam',
      { unit: 'ft', material: '1.3', labour: ['0.03', 'carpenter'], waste: '10', tags: 'glazing' },
    ],
    [
      'WI-118',
      'Glazed door, outward',
      { unit: 'each', material: '1180', labour: ['4.5', 'carpenter'], tags: 'sunroom glass' },
    ],
  ],
  'Attic and lining': [
    [
      'AT-110',
      'Drywall 1/2 in',
      {
        unit: 'sqft',
        material: '0.48',
        labour: ['0.017', 'carpenter'],
        waste: '10',
        pack: '32',
        tags: 'plasterboard panel',
      },
    ],
    [
      'AT-112',
      'Joints taped and finished',
      { unit: 'sqft', material: '0.09', labour: ['0.018', 'painter'], tags: 'drywall mud' },
    ],
    [
      'AT-114',
      'Batt R-30, 16 in',
      {
        unit: 'sqft',
        material: '1.18',
        labour: ['0.012', 'helper'],
        waste: '5',
        pack: '58',
        tags: 'insulation wool',
      },
    ],
    [
      'AT-116',
      'Batt R-38, 16 in',
      {
        unit: 'sqft',
        material: '1.52',
        labour: ['0.013', 'helper'],
        waste: '5',
        pack: '42',
        tags: 'insulation wool',
      },
    ],
    [
      'AT-118',
      'Sprayed foam, closed cell',
      { unit: 'sqft', more: subcontract('4.9'), minimumCharge: '1200', tags: 'insulation' },
    ],
    [
      'AT-120',
      'Vapour retarder',
      { unit: 'sqft', material: '0.12', labour: ['0.006', 'helper'], waste: '15', tags: 'membrane' },
    ],
    [
      'AT-122',
      'Rafter vent channel',
      { unit: 'each', material: '2.9', labour: ['0.05', 'helper'], pack: '10', tags: 'baffle air' },
    ],
  ],
};

const costCodes: Record<string, string> = {
  Ground: '02',
  Frame: '06',
  Roof: '07',
  'Screens and glass': '08',
  'Attic and lining': '09',
};

export const stockInputs: ItemInput[] = Object.entries(stock).flatMap(([trade, rows]) =>
  rows.map(([code, name, { unit, material, labour, more, tags, ...rest }]) => ({
    code,
    name,
    detail: '',
    trade,
    unit,
    costs: [
      ...(material === undefined ? [] : [{ type: 'material' as const, amount: material }]),
      ...(labour === undefined
        ? []
        : [
            {
              type: 'labour' as const,
              hours: labour[0],
              rate: rates[labour[1]][1],
              overtimeRate: rates[labour[1]][2],
            },
          ]),
      ...(more === undefined ? [] : [more]),
    ],
    ...rest,
    taxClass: material === undefined ? 'none' : 'standard',
    costCode: costCodes[trade]!,
    tags: tags.split(' '),
    internalNote: '',
  })),
);
