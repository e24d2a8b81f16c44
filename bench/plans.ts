import type { Plan } from "#core/model";

/** A round region: sides all around, each at its own distance. */
export const round = (sides: number): Plan => ({
  variables: [{ name: "x" }, { name: "y" }],
  objective: { text: "3.5x + 4y", sense: "greatest" },
  constraints: Array.from({ length: sides }, (_, i) => {
    const t = (2 * Math.PI * (i + 0.3)) / sides;
    return {
      id: `c${i}`,
      text:
        `${Math.round(Math.cos(t) * 1000) / 10} x + ${Math.round(Math.sin(t) * 1000) / 10} y ` +
        `<= ${Math.round(1000 + 300 * Math.sin(7 * t))}`,
    };
  }),
});
