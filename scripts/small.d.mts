export const isSmall: boolean;
export function orFew(many: number, few: number): number;
