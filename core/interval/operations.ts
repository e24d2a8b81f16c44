// All operations on enclosures, under one name (`iv`).
export * from "./enclosure";
export * from "./waves";
