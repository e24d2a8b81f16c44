/** Each demo case as it would be typed on the entry line of an empty case, one entry a line. */
export const DEMO_LINES: Readonly<Record<string, readonly string[]>> = {
  'lantern-stall': [
    'F = 180 $', 'k = 2.50 $/lantern', 'M = 320 lanterns', 'q = 0 … M lanterns, whole', 'p(q) = line (240, 6), (150, 9) in $/lantern', 'R(q) = q p(q)', 'C(q) = F + k q', 'P(q) = R − C',
    'R = C ?', 'greatest P ?', 'p(answer of q2) ?',
  ],
  'lit-bridge': ['u = 40 $', 'v = 28 $/night', 'w = 210 $', 'z = 11 $/night', 'n = 0 … 30 nights, whole', 'H(n) = u + v n', 'B(n) = w + z n', 'H = B ?', 'B(20) ?'],
  'walk-fund': [
    'S = $4,000', 'W = $6,500', 'i = 4.2 % a year', 'j = 4.15 % a year', 'k = 4.1 % a year', 't = 0 … 30 years', 'A(t) = S (1 + i)^t', 'B(t) = S (1 + j/12)^(12 t)', 'D(t) = S exp(k t)',
    'A = W ?', 'B = W ?', 'D = W ?', 'least of A, B, D ?', 'B times 2 ?',
  ],
  'sky-lantern': ['h0 = 4.5 m', 'v0 = 18 m/s', 'g = 9.81 m/s^2', 't = 0 … 5 s', 'h(t) = h0 + v0 t - (1/2) g t^2', 'v(t) = slope of h', 'greatest h ?', 'h > 15 ?', 'h = 0 ?', 'v(answer of q3) ?'],
  'lantern-raft': [
    'a = 0.2 m/s^2', 'b = 0.1 m/s^2', 't1 = 10 s', 't2 = 50 s', 't = 0 … t2 + a t1/b s', 'v(t) = a t for 0 <= t < t1; a t1 for t1 <= t < t2; a t1 - b (t - t2) for t2 <= t <= t2 + a t1/b',
    'w(t) = a t - a (t - t1) step(t - t1) - b (t - t2) step(t - t2)', 's(t) = total of v', 'total of v from 0 to t2 + a t1/b ?', 's = 50 ?', 'v = w ?', 'average of v from 0 to t2 + a t1/b ?',
  ],
  'mill-channel': [
    'w = 2.4 m', 'y1 = 1.5 m', 'n = 0.025', 'S = 0.002', 'Q0 = 3', 'y = 0 … y1 m', 'A(y) = w y', 'H(y) = A/(w + 2 y)', 'Q(y) = A H^(2/3) sqrt(S)/n', 'Q = Q0 ?', 'Q(y1) ?', 'w = 0.5 … 10 so that Q(1) = 3 ?',
  ],
  'boat-fare': [
    'a = 8 $/passenger', 'b = 90 passengers', 'm = 6 passenger^2/$', 'k = 1.50 $/passenger', 'x = −8 … 15 $/passenger', 'p(x) = a + x', 'n(x) = b - m x', 'R(x) = p n', 'C(x) = k n', 'G(x) = R - C',
    'greatest G ?', 'p(answer of q1) ?', 'n(answer of q1) ?', 'G = 0 ?',
  ],
  'rule-of-thumb': ['r = 1 % … 20 %', 'T(r) = ln(2)/ln(1 + r)', 'U(r) = 0.70/r', 'E(r) = U - T', 'T = U ?', 'greatest E ?', 'least E ?', 'T(5 %) ?'],
}
