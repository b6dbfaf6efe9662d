export function buildWeb(): string;
