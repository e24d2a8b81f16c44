export * as iv from "./operations";
export { Enclosure, NOTHING, ENTIRE, EMPTY, PARTIAL, BROKEN, containsZero, roundHalfAway } from "./enclosure";
export { down, up, downWide, upWide, PLATFORM_ULPS } from "./round";
