/** The page anew, from this device where it is kept here. */
export function reload(): void {
  location.reload();
}
