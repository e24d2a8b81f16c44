import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { ratio, stepsLeft, within } from "../numeric";
import { constantForm } from "./constant";
import { atom, formKey, fromRational, plus, rationalOf, scaled, sum, times } from "./constantForm";
import { rationalPowerOfTen } from "./constantRules";
import { primePowers } from "./primePowers";
import { formulaOf } from "./reading.fixture";

/** `5*3^1/2` is 5 √3, `2*` is 2, `1*·exp{5*}` is e⁵, `1*ln:2^1` is ln 2; in brackets a sum that stays together. */
function keyOf(text: string): string | null {
  const form = constantForm(formulaOf(text));
  return form && formKey(form);
}

describe("numbers without variable in one shape", () => {
  it.each([
    // powers of primes
    ["sqrt(12)", "2*3^1/2"],
    ["2 sqrt(3) + sqrt(27)", "5*3^1/2"],
    ["sqrt(2) sqrt(6)", "2*3^1/2"],
    ["1/sqrt(2)", "1/2*2^1/2"],
    ["8^(2/3)", "4*"],
    ["(4/9)^(-3/2)", "27/8*"],
    ["(-2)^3", "-8*"],
    ["(-2)^4", "16*"],
    ["(-2)^(-3)", "-1/8*"],
    ["(-sqrt(2))^3", "-2*2^1/2"],
    ["(-sqrt(2))^4", "4*"],
    ["(-sqrt(2))^-1", "-1/2*2^1/2"],
    ["sqrt(-sqrt(2))", null],
    ["cbrt(-16)", "-2*2^1/3"],
    ["cbrt(16)", "2*2^1/3"],
    ["root(32, 4)", "2*2^1/4"],
    ["2003^(1/2)", "1*2003^1/2"],
    // π and e
    ["pi^2/pi", "1*pi^1"],
    ["3 pi - pi", "2*pi^1"],
    ["pi - pi", ""],
    ["sqrt(pi) sqrt(pi)", "1*pi^1"],
    ["exp(2) exp(3)", "1*·exp{5*}"],
    ["exp(2) exp(-2)", "1*"],
    ["exp(1) e", "1*·exp{2*}"],
    ["sqrt(exp(4))", "1*·exp{2*}"],
    ["(2 exp(3))^-2", "1/4*·exp{-6*}"],
    ["exp(ln(3)/2)", "1*3^1/2"],
    ["exp(2 ln(3) + 1)", "9*·exp{1*}"],
    ["exp(ln(2) ln(3))", "1*·exp{1*ln:2^1·ln:3^1}"],
    ["exp(ln(2)^2)", "1*·exp{1*ln:2^2}"],
    ["exp(ln(pi))", "1*pi^1"],
    ["2^sqrt(2)", "1*·exp{1*2^1/2·ln:2^1}"],
    ["2^(ln(3)/ln(2))", "3*"],
    // logarithms of primes
    ["ln(12)", "1*ln:3^1+2*ln:2^1"],
    ["ln(1/6)", "-1*ln:2^1+-1*ln:3^1"],
    ["ln(sqrt(2))", "1/2*ln:2^1"],
    ["ln(exp(2) 3)", "1*ln:3^1+2*"],
    ["ln(2 pi)", "1*ln:2^1+1*ln:pi^1"],
    ["ln(1 + sqrt(2))", "1*ln[1*+1*2^1/2]^1"],
    ["ln(2 sin(1))", "1*ln[2*sin[1*;0]^1]^1"],
    ["1/ln(2)", "1*ln:2^-1"],
    ["log2(12)", "1*ln:2^-1·ln:3^1+2*"],
    ["log2(1/8)", "-3*"],
    ["log10(2)", "1*1/ln10^1·ln:2^1"],
    ["log10(1/1000)", "-3*"],
    ["log10(20)", "1*1/ln10^1·ln:5^1+2*1/ln10^1·ln:2^1"],
    // sums: multiplied out up to the eighth power, else kept together with their factor taken out
    ["(1 + sqrt(2))^2", "2*2^1/2+3*"],
    ["(1 + sqrt(2))^8", "408*2^1/2+577*"],
    ["(1 + sqrt(2))^9", null],
    ["(1 + sqrt(2))^-1", "1*[1*+1*2^1/2]^-1"],
    ["(2 + 2 sqrt(2))^-1", "1/2*[1*+1*2^1/2]^-1"],
    ["sqrt(1 + sqrt(2))", "1*[1*+1*2^1/2]^1/2"],
    ["(3 + 3 exp(1))^(1/2)", "1*3^1/2·[1*+1*·exp{1*}]^1/2"],
    ["1/(12 ln(3) - 12)", "-1/12*[-1*ln:3^1+1*]^-1"],
    ["(1/12)/(ln(3) - 1)", "-1/12*[-1*ln:3^1+1*]^-1"],
    // a whole power of what is under a root is that again
    ["sqrt(1 + sqrt(2))^2", "1*+1*2^1/2"],
    ["sqrt(1 + sqrt(2))^4", "2*2^1/2+3*"],
    // of a great one all paths through its terms would be 2^24: (a + b√2)(1 + √2) = a + 2b + (a + b)√2, each time
    ["sqrt(1 + sqrt(2))^24", "13860*2^1/2+19601*"],
    ["sqrt(1 + sqrt(2))^48", "543339720*2^1/2+768398401*"],
    ["sqrt(1 + sqrt(2)) sqrt(1 + sqrt(2))", "1*+1*2^1/2"],
    ["sqrt(1 + sqrt(2))^3", "1*2^1/2·[1*+1*2^1/2]^1/2+1*[1*+1*2^1/2]^1/2"],
    // angles
    ["sin(pi/3)", "1/2*3^1/2"],
    ["sin(pi/4)", "1/2*2^1/2"],
    ["sin(3 pi/4)", "1/2*2^1/2"],
    ["sin(5 pi/4)", "-1/2*2^1/2"],
    ["sin(11 pi/6)", "-1/2*"],
    ["sin(-pi/3)", "-1/2*3^1/2"],
    ["cos(pi/6)", "1/2*3^1/2"],
    ["tan(pi/3)", "1*3^1/2"],
    ["tan(pi/2)", null],
    ["sin(pi/12)", "1*sin[1/12*pi^1;0]^1"],
    ["sin(5 pi/12)", "1*sin[5/12*pi^1;0]^1"],
    ["sin(1)", "1*sin[1*;0]^1"],
    ["cos(1)", "1*sin[1*;1/2]^1"],
    ["sin(pi^2)", "1*sin[1*pi^2;0]^1"],
    ["sin(2 pi + 1)", "1*sin[1*+2*pi^1;0]^1"],
    // odd and even functions
    ["atan(-2)", "-1*atan[2*]^1"],
    ["atan(2)", "1*atan[2*]^1"],
    ["atan(1 - sqrt(2))", "1*atan[-1*2^1/2+1*]^1"],
    ["atan(sqrt(2) - 3)", "-1*atan[-1*2^1/2+3*]^1"],
    ["cosh(-2)", "1*cosh[2*]^1"],
    ["sinh(-2)", "-1*sinh[2*]^1"],
    ["tanh(0)", ""],
    ["acos(1)", "1*acos[1*]^1"],
    // an angle by its own function is itself, where it is one that asin, acos or atan tells
    ["asin(sin(-1))", "-1*"],
    ["acos(cos(3))", "3*"],
    ["atan(tan(3/2))", "3/2*"],
    ["asin(sin(2))", "1*asin[1*sin[2*;0]^1]^1"],
    ["acos(cos(-1))", "1*acos[1*sin[-1*;1/2]^1]^1"],
    ["asin(cos(1))", "1*asin[1*sin[1*;1/2]^1]^1"],
    // what is told of fractions alone
    ["abs(-7/2)", "7/2*"],
    ["abs(sqrt(2))", null],
    ["floor(sqrt(2))", null],
    ["min(2, sqrt(2))", null],
    ["max(2, 5/2)", "5/2*"],
    ["0^2", ""],
    ["0^0", null],
    ["0^sqrt(2)", null],
    ["sqrt(0)", ""],
  ])("%s: %s", (text, wanted) => expect(keyOf(text)).toBe(wanted));

  it("sums, products and multiples of forms", () => {
    const [one, root, pi] = [fromRational(ratio(1)), atom("2", ratio(1, 2)), atom("pi")];
    const none = fromRational(ratio(0));
    expect([none.size, formKey(none), rationalOf(none)?.toFraction(), rationalOf(root)]).toEqual([0, "", "0", null]);
    expect([plus(none, pi), plus(pi, none)]).toEqual([pi, pi]);
    expect(formKey(plus(plus(one, root), scaled(root, ratio(-1))))).toBe("1*");
    expect(scaled(pi, ratio(0)).size).toBe(0);
    expect(formKey(times(plus(one, root), plus(one, scaled(root, ratio(-1))))!)).toBe("-1*");
    expect(formKey(times(scaled(one, ratio(3)), pi)!)).toBe("3*pi^1");
    expect(formKey(times(pi, scaled(one, ratio(3)))!)).toBe("3*pi^1");
    const [term] = root.values();
    expect(sum([term!, { ...term!, factor: ratio(-1) }]).size).toBe(0);
    // eight terms by eight would be more than sixty
    const long = (n: number) => Array.from({ length: n }, (_, i) => atom(`a${i}`)).reduce(plus, none);
    expect(times(long(8), long(8))).toBeNull();
    expect(times(long(7), long(8))?.size).toBe(35);
  });
  // exp(20 (20 − x) x)' at places like 2^-1000 took 9 s, nearly all of it for common divisors of thousands of digits.
  it("nor fractions that grow too long, and what is long costs more of a question's work", () => {
    const of = (bits: number) => fromRational(ratio((1n << BigInt(bits)) - 1n, 3n ** 40n));
    const cost = (bits: number) =>
      within(1e6, () => {
        times(of(bits), of(bits));
        plus(of(bits), of(bits));
        return 1e6 - stepsLeft();
      });
    expect(times(of(1400), of(1400))?.size).toBe(1);
    expect(times(of(1600), of(1600))).toBeNull();
    expect([cost(60), cost(200), cost(1000)]).toEqual([40, 640, 3200]);
  });
});

/** The prime factors of a product, from those of its small factors. */
function dividedOut(factors: readonly number[]): string {
  const powers = new Map<number, number>();
  for (let rest of factors)
    for (let p = 2; rest > 1; p++) for (; rest % p === 0; rest /= p) powers.set(p, (powers.get(p) ?? 0) + 1);
  return [...powers]
    .sort(([p], [q]) => p - q)
    .map(([p, k]) => `${p}^${k}`)
    .join(" ");
}

describe("whole factors", () => {
  const told = (top: bigint | number, bottom = 1) => {
    const found = primePowers(ratio(BigInt(top), BigInt(bottom)));
    return found && [...found].map(([p, k]) => `${p}^${k}`).join(" ");
  };
  it.each([
    [1, 1, ""],
    [2, 1, "2^1"],
    [360, 1, "2^3 3^2 5^1"],
    [7, 12, "7^1 2^-2 3^-1"],
    [49, 4, "7^2 2^-2"],
    [1999 * 1999, 1, "1999^2"],
    [2003, 1, "2003^1"],
    [2003 * 2003, 1, null],
  ] as const)("of %s/%s: %s", (top, bottom, wanted) => expect(told(top, bottom)).toBe(wanted));
  it("of numbers beyond doubles, as far as small primes go", () => {
    expect(told(3n ** 50n)).toBe("3^50");
    expect(told(2n ** 60n * 9n)).toBe("2^60 3^2");
    expect(told(2n ** 60n * 1009n)).toBe("2^60 1009^1");
    expect(told((2n ** 61n - 1n) * (2n ** 31n - 1n))).toBeNull();
  });
  it("as division by one number after another tells them", () => {
    const factor = fc.oneof(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 1999 }));
    fc.assert(
      fc.property(fc.array(factor, { minLength: 1, maxLength: 25 }), (factors) => {
        const product = factors.reduce((n, f) => n * BigInt(f), 1n);
        expect(told(product)).toBe(dividedOut(factors));
      }),
    );
  });
  it.each([
    [1000, 1, "3"],
    [1, 1, "0"],
    [1, 1000, "-3"],
    [20, 1, null],
    [3, 10, null],
    [0, 1, null],
    [-10, 1, null],
  ] as const)("the power of ten that %s/%s is: %s", (top, bottom, wanted) => {
    const form = rationalPowerOfTen(ratio(top, bottom));
    expect(form && rationalOf(form)!.toFraction()).toBe(wanted);
  });
});
