export {
  MONTH_NAMES,
  dateOf,
  dateWords,
  dayOf,
  daysOf,
  isSince,
  isoOf,
  lastDayOf,
  monthsLater,
  readIso,
  sinceWords,
  type CivilDate,
} from "./calendar";
