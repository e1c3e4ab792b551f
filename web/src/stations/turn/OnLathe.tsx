import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../../api/client";
import type { Document } from "../../api/document";
import { Choice } from "../../kit/Choice";
import { Quiet } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";

const UNKNOWN = "other";

/** Which of the shop's lathes it is turned on: its belts, reach, mass and stand hold the speeds down. */
export function OnLathe() {
  const { data: lathes } = useQuery({ queryKey: ["lathes"], queryFn: api.lathes });
  const { document, draft } = useBlank();
  if (!lathes) return null;
  const written = JSON.stringify(document.lathe);
  const present = lathes.find(({ lathe }) => JSON.stringify(lathe) === written);
  const unknown = present
    ? []
    : [[UNKNOWN, document.lathe ? t("screen.turn.one_as_it_came") : t("screen.turn.none_yet")]];
  const options = Object.fromEntries([...unknown, ...lathes.map(({ id, name }) => [`lathe ${id}`, name])]) as Record<
    string,
    string
  >;
  return (
    <>
      {lathes.length > 0 && (
        <Choice
          label={t("screen.turn.on_which_lathe")}
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
            ? t("screen.turn.no_lathe_is_written_down_yet")
            : t("screen.turn.the_shops_lathes_and_their_jaws")}
        </Link>
      </Quiet>
    </>
  );
}
