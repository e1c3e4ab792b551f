import { useQuery } from "@tanstack/react-query";
import { Label, ProgressBar } from "react-aria-components";
import styled from "styled-components";
import { api } from "../../api/client";
import { withLaid, type Message, type Placed } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { MessageText } from "../../kit/Advice";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { Fault, Quiet, Row } from "../../kit/parts";
import { ink } from "../../kit/theme";
import { useAct } from "../../kit/useAct";
import { useUnit } from "../../kit/Units";
import { SmallSection } from "./SmallSection";

const LOOK_AGAIN_MS = 700;

/** A search that is going on or over: how far it is, and the places it has found so far. */
export function PlacesFound({ id, onGone }: { id: number; onGone: () => void }) {
  const search = useQuery({
    queryKey: ["search", id],
    queryFn: () => api.search(id),
    retry: false,
    refetchInterval: ({ state }) =>
      state.data && ["ended", "stopped"].includes(state.data.state) ? false : LOOK_AGAIN_MS,
  });
  const { act } = useAct();
  if (search.isError)
    return (
      <Quiet>
        {t("screen.form.that_search_is_no_longer_kept")}{" "}
        <Button $kind="quiet" onPress={onGone}>
          {t("screen.form.all_right")}
        </Button>
      </Quiet>
    );
  if (!search.data) return <Quiet role="status">{t("screen.form.asking_how_far_it_has_come")}</Quiet>;
  const { state, done, of, problem, answers } = search.data;
  const going = state === "waiting" || state === "running";
  return (
    <>
      {going && (
        <Row role="status" style={{ alignItems: "center", marginTop: 10 }}>
          <Progress value={done} maxValue={of}>
            {({ percentage }) => (
              <>
                <Label>
                  {state === "waiting"
                    ? t("screen.form.waiting_for_a_free_hand")
                    : t("screen.form.tried_of_ways_in", { done, of })}
                </Label>
                <div className="bar">
                  <div style={{ width: `${percentage ?? 0}%` }} />
                </div>
              </>
            )}
          </Progress>
          <Button
            $kind="quiet"
            onPress={() =>
              void act(
                () => api.stopSearch(id),
                () => void search.refetch(),
              )
            }
          >
            {t("screen.form.stop")}
          </Button>
        </Row>
      )}
      {problem && <Fault role="alert">{problem}</Fault>}
      {answers.length > 0 && (
        <Answers aria-label={t("screen.form.places_found")}>
          {answers.map((answer, index) => (
            <Answer key={JSON.stringify(answer.move)} answer={answer} place={index + 1} />
          ))}
        </Answers>
      )}
      {state === "ended" && answers.length === 1 && answers[0]?.present && (
        <Quiet>{t("screen.form.nothing_better_found_it_lies_best")}</Quiet>
      )}
    </>
  );
}

const Progress = styled(ProgressBar)`
  flex: 1;
  display: grid;
  gap: 4px;
  .bar {
    height: 8px;
    background: ${ink.rule};
  }
  .bar > div {
    height: 100%;
    background: ${ink.moss};
  }
`;

const Answers = styled.ol`
  margin-top: 12px;
  > li {
    display: grid;
    grid-template-columns: 170px 1fr;
    gap: 4px 16px;
    padding: 12px 0;
    border-top: 1px solid ${ink.rule};
  }
  h4 {
    font-size: 16px;
    font-weight: 650;
  }
  ul {
    font-size: 15px;
    line-height: 1.35;
  }
  li li {
    padding-left: 16px;
    text-indent: -16px;
  }
  @media (max-width: 600px) {
    > li {
      grid-template-columns: 1fr;
    }
  }
`;

function Answer({ answer, place }: { answer: Placed; place: number }) {
  const { document, draft } = useBlank();
  const unit = useUnit();
  const { outcome } = answer;
  return (
    <li>
      <div>
        <SmallSection svg={outcome.section_svg} of={t("screen.form.place", { place })} />
        <Quiet style={{ margin: "4px 0 0" }}>
          ⌀{amountText(outcome.diameter_mm, "mm", unit).replace(/ mm$/, "")} ×{" "}
          {amountText(outcome.height_mm, "mm", unit)}
        </Quiet>
      </div>
      <div>
        <h4>
          {answer.present ? t("screen.form.as_it_lies_now") : t("screen.form.place_2", { place })}
          {!answer.fits && t("screen.form.out_of_the_wood_in_part")}
        </h4>
        <ul>
          {answer.gains.map((said) => (
            <Line key={JSON.stringify(said)} mark="+" said={said} />
          ))}
          {answer.gives_up.map((said) => (
            <Line key={JSON.stringify(said)} mark="−" said={said} />
          ))}
          {answer.gains.length + answer.gives_up.length === 0 && !answer.present && (
            <li>{t("screen.form.much_as_it_is_now")}</li>
          )}
        </ul>
        {!answer.present && (
          <Button style={{ marginTop: 8 }} onPress={() => draft.change(withLaid(document, answer))}>
            {t("screen.form.lay_it_so")}
          </Button>
        )}
      </div>
    </li>
  );
}

const MARKS = { "+": `${t("screen.form.gains")} `, "−": `${t("screen.form.gives_up")} ` } as const;
const Line = ({ mark, said }: { mark: keyof typeof MARKS; said: Message }) => (
  <li>
    <span aria-label={MARKS[mark]} style={{ fontWeight: 700 }}>
      {mark}
    </span>
    {"  "}
    <MessageText message={said} />
  </li>
);
