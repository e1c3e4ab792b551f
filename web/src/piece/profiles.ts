/** z and r, mm. */
export type Place = [number, number];

/** A form as the assessment has it. */
export type Profiles = { outside: number[][]; inside: number[][] | null; opensAtTail: boolean };

/** The finished half: along the outside, back along the inside, closed on the axis at the end that does not open. */
export function wood({ outside, inside, opensAtTail }: Profiles): Place[] {
  const pairs = (points: number[][]) => points.map(([z = 0, r = 0]): Place => [z, r]);
  const outer = pairs(outside);
  const [first, last] = [outer[0]?.[0] ?? 0, outer.at(-1)?.[0] ?? 0];
  if (!inside) return [[first, 0], ...outer, [last, 0]];
  const inner = pairs(inside);
  return opensAtTail
    ? [[first, 0], ...outer, ...inner.reverse(), [inside[0]?.[0] ?? first, 0]]
    : [[last, 0], ...outer.reverse(), ...inner, [inside.at(-1)?.[0] ?? last, 0]];
}
