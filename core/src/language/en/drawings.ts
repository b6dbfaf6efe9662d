export const drawings = {
  drive: '{{drive}} in drive',
  turns_one: '{{count}} turn {{deg}}',
  turns_other: '{{count}} turns {{deg}}',
} as const;
