import { originOf } from './origin';

const trusted = new Set(['10.0.0.1', '10.0.0.2']);

test.each([
  ['nobody in between: what the client says is nothing', '203.0.113.9', '198.51.100.1', '203.0.113.9'],
  ['a trusted proxy: what it heard', '10.0.0.1', '198.51.100.1', '198.51.100.1'],
  [
    'forged before the proxy: the last that is not trusted',
    '10.0.0.1',
    '1.1.1.1, 198.51.100.1',
    '198.51.100.1',
  ],
  ['two trusted proxies', '10.0.0.1', '198.51.100.1, 10.0.0.2', '198.51.100.1'],
  ['no address at all', '10.0.0.1', 'unknown', '10.0.0.1'],
  ['an address of IPv4 in IPv6', '::ffff:10.0.0.1', '198.51.100.7', '198.51.100.7'],
  ['nothing said', '10.0.0.1', null, '10.0.0.1'],
])('%s', (_, peer, forwarded, from) => expect(originOf(peer, forwarded, trusted)).toBe(from));
