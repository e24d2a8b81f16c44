/** The views of a case, in the order of their keys. */
export const CASE_VIEWS = [
  { id: "desk", name: "Desk" },
  { id: "data", name: "Data" },
  { id: "plan", name: "Plan" },
  { id: "brief", name: "Brief" },
] as const;
export type CaseViewId = (typeof CASE_VIEWS)[number]["id"];
