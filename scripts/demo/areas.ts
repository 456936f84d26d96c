/** A made-up table of area factors: what work costs by the beginning of the postcode, against the demo's library. */
export const areaTable = `prefix;name;material;labour;equipment
004;Marrowby and around;1;1;1
005;The coast;1.04;1.09;1.02
0051;Sandwich Ness;1.08;1.16;1.05
006;Upper Fenshire;0.98;0.93;1
007;The hills;1.03;0.96;1.12
`;
