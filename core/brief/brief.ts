import type { BriefPart, BriefRow } from "../model";
import { data, graph, known, modelled } from "./caseParts";
import { answer, changes, checks, findings, working } from "./foundParts";
import { planned } from "./planPart";
import type { BriefBlock, BriefPage, BriefSection } from "./page";
import { filledRows, partOf } from "./rows";
import type { BriefSource, PartSource } from "./told";
import { wordsBlocks } from "./words";

/** How each part writes itself; a part that is forgotten here does not compile. */
const WRITTEN: Readonly<Record<BriefPart, (from: PartSource) => BriefBlock[]>> = {
  answer,
  known,
  model: modelled,
  graph,
  plan: planned,
  data,
  findings,
  checks,
  changes,
  working,
};

/**
 * The brief of a case as it stands now: the parts that are switched on, in the person's order, with own words between.
 */
export function briefPage(from: BriefSource): BriefPage {
  const { source } = from;
  const { heading, about, author, date } = source.brief ?? {};
  return {
    heading: heading ?? source.title,
    about: about ?? "",
    byline: [author, date].filter(Boolean).join(" · "),
    sections: filledRows(source)
      .filter((row) => !row.off)
      .map((row) => section(row, from)),
  };
}

function section(row: BriefRow, from: BriefSource): BriefSection {
  if (row.blocks)
    return { id: row.id, title: null, isOwn: true, blocks: wordsBlocks(row.blocks, from.desk, from.names) };
  const id = row.id as BriefPart;
  return { id, title: id === "answer" ? null : partOf(id)!.name, isOwn: false, blocks: WRITTEN[id]({ ...from, row }) };
}
