import { kindOfPath, pathForLog } from './requestPath';

const token = 'Q2hpY2tlbi1jb29wLWxhbnRlcm4tcG9yY2gtc3dpbmc';

test('what opens a door is not written down, nor what is behind the ?', () => {
  expect(pathForLog(`/b/${token}`)).toBe('/b/:token');
  expect(pathForLog(`/b/${token}/picture/2?small=1`)).toBe('/b/:token/picture/:other');
  expect(pathForLog(`/password/${token}`)).toBe('/password/:token');
  expect(pathForLog('/join/short')).toBe('/join/:token');
  expect(pathForLog('/customers?search=Anna%20Lunt')).toBe('/customers');
  expect(pathForLog('/customers/Anna%20Lunt')).toBe('/customers/:other');
  expect(pathForLog('/ben@post.example/x')).toBe('/:other/x');
});

test('what is of our own making stays, so that a fault can be found', () => {
  const id = '01990000-0000-7000-8000-000000000001';
  expect(pathForLog(`/api/v1/proposals/${id}/proposal.pdf?x`)).toBe(`/api/v1/proposals/${id}/proposal.pdf`);
  expect(pathForLog('/')).toBe('/');
  expect(pathForLog('/_next/static/chunks/abc.js')).toBe('/_next');
});

test('however long or odd an address is, its line is short', () => {
  expect(pathForLog(`/${'a/'.repeat(5000)}`).length).toBeLessThan(50);
  expect(pathForLog('')).toBe('/');
  expect(pathForLog('\u0000\n{"level":"error"}')).toBe('/:other');
});

test('kinds to count by are few', () => {
  expect(['/_next/a', '/b/x', '/api/v1/health', '/today', '/anything/at/all'].map(kindOfPath)).toEqual([
    ...['static', 'booklet', 'interface', 'page', 'page'],
  ]);
});
