import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../../api/client";
import type { Document } from "../../api/document";
import { Choice } from "../../kit/Choice";
import { Quiet } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";

const UNKNOWN = "other";

/** Which of the shop's lathes it is turned on: its belts, reach, mass and stand hold the speeds down. */
export function OnLathe({ at }: { at: AtStation }) {
  const { data: lathes } = useQuery({ queryKey: ["lathes"], queryFn: api.lathes });
  const { document, draft } = at;
  if (!lathes) return null;
  const written = JSON.stringify(document.lathe);
  const present = lathes.find(({ lathe }) => JSON.stringify(lathe) === written);
  const unknown = present ? [] : [[UNKNOWN, document.lathe ? "One as it came" : "None yet"]];
  const options = Object.fromEntries([...unknown, ...lathes.map(({ id, name }) => [`lathe ${id}`, name])]) as Record<
    string,
    string
  >;
  return (
    <>
      {lathes.length > 0 && (
        <Choice
          label="On which lathe"
          value={present ? `lathe ${present.id}` : UNKNOWN}
          options={options}
          onChange={(chosen) => {
            const lathe = lathes.find(({ id }) => chosen === `lathe ${id}`)?.lathe;
            if (lathe) draft.change({ ...document, lathe } as Document);
          }}
        />
      )}
      <Quiet>
        <Link to="/shop" style={{ color: "inherit" }}>
          {lathes.length === 0
            ? "No lathe is written down yet: write yours down in the shop"
            : "The shop’s lathes and their jaws"}
        </Link>
      </Quiet>
    </>
  );
}
