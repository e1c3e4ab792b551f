import js from "@eslint/js";
import importX from "eslint-plugin-import-x";
import hooks from "eslint-plugin-react-hooks";
import ts from "typescript-eslint";

// Who may import whom: a folder may use those further down this list, and itself. A station knows no other station, a room no other room.
const LAYERS = [
  ["App.tsx", "main.tsx"],
  ["bench", "board", "card", "door", "ledger", "rehearsal", "shop", "stores"],
  ["practice"],
  ["stations"],
  ["photo"],
  ["draft"],
  ["piece"],
  ["instruments"],
  ["kit"],
  ["api"],
  ["i18n"],
];
const STATIONS = ["survey", "form", "mend", "turn", "finish", "log", "route"];
const ROOMS = ["board", "card", "door", "ledger", "rehearsal", "shop", "stores"];
const src = (name) => `./src/${name}`;
const apart = (folders) =>
  folders.map((name) => ({
    target: src(name),
    from: folders.filter((other) => other !== name).map(src),
    message: "It may not know its neighbours.",
  }));
const downOnly = LAYERS.flatMap((layer, rank) =>
  rank === 0
    ? []
    : [
        {
          target: layer.map(src),
          from: LAYERS.slice(0, rank).flat().map(src),
          message: "Imports go down only: see LAYERS in eslint.config.js.",
        },
      ],
);

export default ts.config(
  { ignores: ["dist", "src/*/generated"] },
  js.configs.recommended,
  ...ts.configs.strict,
  { plugins: { "react-hooks": hooks }, rules: hooks.configs.recommended.rules },
  {
    plugins: { "import-x": importX },
    settings: {
      "import-x/resolver": { typescript: true },
      // Without these what is imported is not read, and no circle is found.
      "import-x/extensions": [".ts", ".tsx"],
      "import-x/parsers": { "@typescript-eslint/parser": [".ts", ".tsx"] },
    },
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: "TSAsExpression > TSAsExpression > TSUnknownKeyword",
          message: "Say what it is in the contract or the type instead.",
        },
      ],
      "import-x/no-cycle": "error",
      "import-x/no-restricted-paths": [
        "error",
        {
          basePath: import.meta.dirname,
          zones: [...downOnly, ...apart(STATIONS.map((name) => `stations/${name}`)), ...apart(ROOMS)],
        },
      ],
    },
  },
);
