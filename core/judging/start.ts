import { differentiate, wholeNumber, type Expression } from "../formula";
import { numberOfSpot, tidied } from "../solve";
import { anyOf, bodyOf, equation, newSetting, type Setting, type Statement } from "../working";
import { Asking, inGiven, rangeOf, wantedOf, type Answers } from "../question";
import type { Model, Question } from "../model";
import type { Region } from "./inequality";

/** What the first line is judged against. */
export interface Start {
  readonly on: Setting;
  /** what the question says of the unknown; null where it asks for a number */
  readonly statement: Statement | null;
  /** the function whose slope is asked for, where the way leads over it */
  readonly body: Expression | null;
  readonly isGiven: boolean;
  /** the inputs that are asked for, where the question is of an inequality */
  readonly region: Region | null;
}

/** What a question says, as a statement of its unknown. @throws Refusal where the question itself is at fault */
export function startOf(q: Question, model: Model, answers: Answers): Start {
  const asking = new Asking(q, model, answers);
  const bodies = asking.functions.map((f, i) => bodyOf(f.name, model) ?? asking.body(i));
  const body = bodies[0]!;
  const on = newSetting(asking.variable.name, asking.range, asking.table);
  const start = (statement: Statement | null, range = asking.range): Start => ({
    on: { ...on, range },
    statement,
    body,
    isGiven: false,
    region: null,
  });
  const level = (value: Parameters<typeof asking.amount>[0]) => numberOfSpot(asking.amount(value, "the value"));
  switch (q.ask) {
    case "meet":
      return start(bodies[1] ? equation(body, bodies[1]) : null);
    case "reach":
      return start(equation(body, level(q.value)));
    case "where": {
      const limit = level(q.value);
      return {
        ...start(equation(body, limit)),
        region: { kind: "relation", left: body, sign: q.relation, right: limit },
      };
    }
    case "reach-any":
      return start(anyOf(q.values.map((v) => equation(body, level(v)))));
    case "greatest":
    case "least":
      return start(equation(tidied(differentiate(body)), wholeNumber(0)));
    case "compare":
      return start(anyOf(bodies.slice(1).map((other) => equation(body, other))));
    case "multiply": {
      const found = wantedOf(asking as Asking<typeof q>, body);
      return found ? start(equation(body, found.wanted), { from: found.start, to: asking.range.to }) : start(null);
    }
    case "given": {
      const { body: inside, table } = inGiven(asking as Asking<typeof q>, asking.amount(q.at, "the input"));
      const range = rangeOf(asking as Asking<typeof q>);
      return {
        on: newSetting(q.given, range, table),
        statement: equation(inside, level(q.value)),
        body: null,
        isGiven: true,
        region: null,
      };
    }
    default:
      return start(null);
  }
}
