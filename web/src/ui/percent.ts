/** A share from 0 to 1 as people read it. */
export function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}
