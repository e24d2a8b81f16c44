/**
 * A page of the shelf, or all of it up to 1,000 cases: `?limit=60&sort=touched&after=1795857452908.01a2…&find=stall`,
 * `?tag=homework`, `?deleted=yes`. `after` is what the page before ended with: its time (or, sorted by title, its title
 * in small letters) and its id.
 */
export default defineEventHandler(async (event) => {
  const query = getQuery(event);
  const text = (key: string) => {
    const given = query[key];
    return given === undefined || typeof given === "string" ? (given ?? "") : refuse(400, `\`${key}\` may stand once.`);
  };
  const limit = text("limit") === "" ? MOST_LISTED : Number(text("limit"));
  if (!(Number.isInteger(limit) && limit >= 1 && limit <= MOST_LISTED))
    refuse(400, `\`limit\` is a whole number from 1 to ${MOST_LISTED}.`);
  const sort = SORTS.find((s) => s === (text("sort") || "touched")) ?? refuse(400, `\`sort\` is ${SORTS.join(", ")}.`);
  const after = (sort === "title" ? /^(.*)\.([\w-]{1,64})$/s : /^(\d{1,15})\.([\w-]{1,64})$/).exec(text("after"));
  if (text("after") !== "" && !after)
    refuse(400, "`after` is the time and the id of a case, as in `1795857452908.a1`.");
  for (const key of ["find", "tag"])
    if (text(key).length > 300) refuse(400, `\`${key}\` may be at most 300 characters long.`);
  return (await useCases()).list({
    limit,
    sort,
    after: after && { key: after[1]!, id: after[2]! },
    find: text("find"),
    tag: text("tag"),
    deleted: text("deleted") === "yes",
  });
});
