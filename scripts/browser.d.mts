export const BROWSERS: Readonly<Record<string, string>>;
export function browserPath(): string | undefined;
