/** `?limit=60&after=1795857452908.01a2…&find=stall`: a page of the shelf; all of it up to 1,000 cases without. */
export default defineEventHandler(async (event) => {
  const query = getQuery(event);
  const text = (key: string) => {
    const given = query[key];
    return given === undefined || typeof given === "string" ? (given ?? "") : refuse(400, `\`${key}\` may stand once.`);
  };
  const limit = text("limit") === "" ? MOST_LISTED : Number(text("limit"));
  if (!(Number.isInteger(limit) && limit >= 1 && limit <= MOST_LISTED))
    refuse(400, `\`limit\` is a whole number from 1 to ${MOST_LISTED}.`);
  const after = /^(\d{1,15})\.([\w-]{1,64})$/.exec(text("after"));
  if (text("after") !== "" && !after)
    refuse(400, "`after` is the time and the id of a case, as in `1795857452908.a1`.");
  if (text("find").length > 300) refuse(400, "`find` may be at most 300 characters long.");
  return (await useCases()).list({
    limit,
    after: after && { updatedAt: Number(after[1]), id: after[2]! },
    find: text("find"),
  });
});
