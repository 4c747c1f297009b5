/** Positions are told apart by the same colours as members are, in their order. */
export const inkOf = (order: readonly string[], id: string): string => `var(--member-${order.indexOf(id) % 10})`;
