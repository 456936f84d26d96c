/** The countries of ISO 3166-1 (alpha-2), from memory; their names are the runtime's own. */
const codes =
  'AD AE AF AG AI AL AM AO AR AS AT AU AW AX AZ BA BB BD BE BF BG BH BI BJ BL BM BN BO BQ BR BS BT BW BY BZ CA CC CD CF CG CH CI CK CL CM CN CO CR CU CV CW CX CY CZ DE DJ DK DM DO DZ EC EE EG EH ER ES ET FI FJ FK FM FO FR GA GB GD GE GF GG GH GI GL GM GN GP GQ GR GT GU GW GY HK HN HR HT HU ID IE IL IM IN IO IQ IR IS IT JE JM JO JP KE KG KH KI KM KN KP KR KW KY KZ LA LB LC LI LK LR LS LT LU LV LY MA MC MD ME MF MG MH MK ML MM MN MO MP MQ MR MS MT MU MV MW MX MY MZ NA NC NE NF NG NI NL NO NP NR NU NZ OM PA PE PF PG PH PK PL PM PN PR PS PT PW PY QA RE RO RS RU RW SA SB SC SD SE SG SH SI SK SL SM SN SO SR SS ST SV SX SY SZ TC TD TG TH TJ TK TL TM TN TO TR TT TV TW TZ UA UG US UY UZ VA VC VE VG VI VN VU WF WS YE YT ZA ZM ZW'.split(
    ' ',
  );

/** Countries by their English names, in the order of those. */
export function countries(): readonly { readonly code: string; readonly name: string }[] {
  const names = new Intl.DisplayNames(['en'], { type: 'region' });
  return codes
    .map((code) => ({ code, name: names.of(code) ?? code }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

/** What a firm of a country most likely reckons in, to begin with; anything can be chosen. Common practice, no source. */
export function usualIn(country: string): { readonly currency: string; readonly units: 'us' | 'metric' } {
  const euro = 'AT BE CY DE EE ES FI FR GR HR IE IT LT LU LV MT NL PT SI SK'.split(' ');
  const own: Readonly<Record<string, string>> = {
    AU: 'AUD',
    CA: 'CAD',
    CH: 'CHF',
    DK: 'DKK',
    GB: 'GBP',
    JP: 'JPY',
    MX: 'MXN',
    NO: 'NOK',
    NZ: 'NZD',
    PL: 'PLN',
    SE: 'SEK',
    ZA: 'ZAR',
  };
  const currency = euro.includes(country) ? 'EUR' : (own[country] ?? 'USD');
  return { currency, units: country === 'US' || country === 'PR' ? 'us' : 'metric' };
}
