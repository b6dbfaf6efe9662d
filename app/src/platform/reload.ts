/** The page again, from this device where it is kept here. */
export function reload(): void {
  location.reload();
}
