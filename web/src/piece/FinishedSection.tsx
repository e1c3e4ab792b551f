import { ink } from "../kit/theme";
import { surfaceMm } from "./geometry";
import { outlinePath } from "./Ground";
import type { InSection, Look } from "./types";
/** What is left: the form, cut by the wood's own surface. */
export function FinishedSection({ look, at }: { look: Look; at: InSection }) {
  const { form } = look.geometry;
  if (!form) return null;
  const half = (clockDeg: number, sign: 1 | -1) => {
    const outer = form.outside.map(([z = 0, r = 0]) =>
      at(z, sign * Math.min(r, surfaceMm(look.geometry, clockDeg, z))),
    );
    const inner = (form.inside ?? []).map(([z = 0, r = 0]) =>
      at(z, sign * Math.min(r, surfaceMm(look.geometry, clockDeg, z))),
    );
    const [first, last] = [form.outside[0]?.[0] ?? 0, form.outside.at(-1)?.[0] ?? 0];
    // Down the outside, back along the inside, closed over the axis at the end that does not open.
    if (inner.length === 0) return [at(first, 0), ...outer, at(last, 0)];
    return form.opens === "tail"
      ? [at(first, 0), ...outer, ...inner.reverse(), at(form.inside?.[0]?.[0] ?? first, 0)]
      : [at(last, 0), ...outer.reverse(), ...inner, at(form.inside?.at(-1)?.[0] ?? last, 0)];
  };
  return (
    <g pointerEvents="none">
      <clipPath id="finished-clip">
        <path d={outlinePath(half(look.clockDeg, 1)) + outlinePath(half(look.clockDeg + 180, -1))} />
      </clipPath>
      {(
        [
          [look.clockDeg, 1],
          [look.clockDeg + 180, -1],
        ] as const
      ).map(([clockDeg, sign]) => {
        const outline = half(clockDeg, sign);
        return (
          <g key={sign}>
            <path d={outlinePath(outline)} fill={ink.wood} stroke="none" />
            <path
              d={outlinePath(outline.slice(1, form.inside ? -1 : undefined), false)}
              fill="none"
              stroke={ink.ink}
              strokeWidth="2.2"
              strokeLinejoin="round"
            />
          </g>
        );
      })}
      <path d={closing(look, at)} stroke={ink.ink} strokeWidth="2.2" fill="none" />
    </g>
  );
}

/** The end and the floor, over the axis. */
function closing(look: Look, at: InSection): string {
  const form = look.geometry.form;
  if (!form) return "";
  const across = ([z = 0, r = 0]: number[]) => outlinePath([at(z, r), at(z, -r)], false);
  const tail = form.opens === "tail";
  const lines = [across((tail ? form.outside[0] : form.outside.at(-1)) ?? [])];
  if (form.inside) lines.push(across((tail ? form.inside[0] : form.inside.at(-1)) ?? []));
  else lines.push(across((tail ? form.outside.at(-1) : form.outside[0]) ?? []));
  return lines.join("");
}
