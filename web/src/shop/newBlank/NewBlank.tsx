import { useMemo, useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { IntakeQuestion, Shop } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Fault } from "../../kit/parts";
import { Room } from "../../kit/Room";
import type { Taken } from "../../photo/FromPhoto";
import { documentOf, questionOf, useDraft } from "./draft";
import { ItsShape } from "./ItsShape";
import { Made } from "./Made";
import { PictureOnItsWay } from "./PictureOnItsWay";
import { useTakeIn } from "./useTakeIn";
import { WhatItIs } from "./WhatItIs";
import { WhereFrom } from "./WhereFrom";

const Frame = styled(Room)`
  section {
    display: grid;
    gap: 14px;
  }
  aside {
    position: sticky;
    top: 0;
    align-self: start;
  }
`;

/** From a lump in the hand to a number on the rack. */
export function NewBlank({ shop }: { shop: Shop }) {
  const [draft, change] = useDraft(shop);
  const [taken, setTaken] = useState<Taken>();
  const { refused, unsent, takeIn, sendPicture } = useTakeIn();
  // Asked anew only where what is asked has changed: a name does not.
  const asked = JSON.stringify(questionOf(draft, taken) ?? null);
  const question = useMemo(() => (JSON.parse(asked) as IntakeQuestion | null) ?? undefined, [asked]);
  const { answer, settled, problem } = useNewest(question, api.intake);
  const picture = draft.type === "photo" ? taken : undefined;
  const fault = (path: string) => (problem?.errors ?? refused?.errors)?.find(({ pointer }) => pointer === path)?.detail;
  const saveFault = (path: string) => refused?.errors?.find(({ pointer }) => pointer.startsWith(path))?.detail;

  return (
    <Frame>
      <h2>{t("screen.shop.a_new_blank")}</h2>
      <section aria-label={t("screen.shop.what_it_is")}>
        <WhatItIs draft={draft} change={change} nextNumber={shop.next_number} saveFault={saveFault} />
        <ItsShape
          draft={draft}
          change={change}
          onTaken={setTaken}
          asksDensity={answer?.density_from === "unknown"}
          fault={fault}
          saveFault={saveFault}
        />
        <WhereFrom draft={draft} change={change} shop={shop} saveFault={saveFault} />
        {unsent ? (
          <PictureOnItsWay unsent={unsent} again={() => picture && void sendPicture(unsent.id, picture)} />
        ) : (
          <div>
            <Button
              $kind="go"
              onPress={() => answer && void takeIn(documentOf(draft, answer, taken, shop), picture)}
              isDisabled={!answer || !settled}
            >
              {t("screen.shop.put_it_on_the_rack")}
            </Button>
          </div>
        )}
        {refused && (
          <Fault role="alert">
            {t("screen.shop.not_taken_in", { value: refused.errors?.[0]?.detail ?? refused.detail })}
          </Fault>
        )}
      </section>
      <aside aria-label={t("screen.shop.what_that_makes")}>
        <Made answer={answer} problem={problem} named={draft.species.trim() !== ""} />
      </aside>
    </Frame>
  );
}
