import { createGlobalStyle, css } from "styled-components";

/** Colours by what they are for. Moss: go, and what is chosen. Ochre: care. Rust: stop. */
export const ink = {
  ground: "var(--ground)",
  paper: "var(--paper)",
  ink: "var(--ink)",
  quiet: "var(--quiet)",
  rule: "var(--rule)",
  slate: "var(--slate)",
  moss: "var(--moss)",
  mossPale: "var(--moss-pale)",
  ochre: "var(--ochre)",
  rust: "var(--rust)",
  waste: "var(--waste)",
  /** Lines of the fibres on wood: seen, and never taken for a mark. */
  grain: "var(--grain)",
  wood: "var(--wood)",
  strip: "var(--strip)",
  onStrip: "var(--on-strip)",
  onMoss: "var(--on-moss)",
};

export const toneInk = { plain: ink.quiet, go: ink.moss, care: ink.ochre, stop: ink.rust } as const;

export const focusRing = css`
  outline: none;
  &[data-focus-visible] {
    outline: 3px solid ${ink.ochre};
    outline-offset: 1px;
  }
`;

const day = css`
  --ground: #f2f0e8;
  --paper: #fbfaf5;
  --ink: #1f241e;
  --quiet: #4d565a;
  --rule: #c9c6b6;
  --slate: #46535c;
  --moss: #41653a;
  --moss-pale: #c8dbb4;
  --ochre: #8a5a08;
  --rust: #9a3820;
  --waste: #dedccb;
  --grain: #ded3b4;
  --wood: #fffdf4;
  --strip: #20251f;
  --on-strip: #eef0e6;
  --on-moss: #ffffff;
  color-scheme: light;
`;
const night = css`
  --ground: #1b1f1c;
  --paper: #232824;
  --ink: #eceae0;
  --quiet: #b3bab4;
  --rule: #454c46;
  --slate: #93a3ad;
  --moss: #9cc489;
  --moss-pale: #33472c;
  --ochre: #e0aa4a;
  --rust: #ef8b70;
  --waste: #272d28;
  --grain: #66644f;
  --wood: #4d4c3c;
  --strip: #0f1210;
  --on-strip: #eceae0;
  --on-moss: #10160d;
  color-scheme: dark;
`;

/** The light is the machine's own setting, unless somebody chose (data-light on the root). */
export const GlobalStyle = createGlobalStyle`
  :root { ${day} }
  @media (prefers-color-scheme: dark) { :root:not([data-light="day"]) { ${night} } }
  :root[data-light="night"] { ${night} }
  * { box-sizing: border-box; margin: 0; }
  html { font: 16px/1.4 "Atkinson Hyperlegible Next Variable", sans-serif; font-variant-numeric: tabular-nums; color: ${ink.ink}; background: ${ink.ground}; }
  button, input, textarea { font: inherit; color: inherit; }
  h1, h2, h3 { font-size: inherit; font-weight: 700; }
  ul, ol { list-style: none; padding: 0; }
  @media (prefers-reduced-motion: reduce) { * { transition: none !important; animation: none !important; scroll-behavior: auto !important; } }
`;
