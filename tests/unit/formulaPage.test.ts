import { expect, it } from "vitest";
import { formulaPage } from "../../app/brief/formulaPage";

it("every formula stands as mathematics and as its source, and nothing of a title runs", () => {
  const made = formulaPage("Cost <b> & more", [
    { name: "C", label: "cost", latex: "C(q) = \\frac{q}{2} + 180" },
    { name: "broken", label: "", latex: "" },
    { name: "R", label: "", latex: "R(q) = 6 q" },
  ]);
  expect(made).toContain("<h1>Cost &lt;b&gt; &amp; more</h1>");
  expect(made.match(/<math /g)).toHaveLength(2);
  expect(made).toContain("<mfrac>");
  expect(made).toContain("<pre>C(q) = \\frac{q}{2} + 180</pre>");
  expect(made).toContain("<h2>R</h2>");
  expect(made).not.toContain("broken");
  expect(made).not.toMatch(/<script|https?:\/\/(?!www\.w3\.org)/);
});
