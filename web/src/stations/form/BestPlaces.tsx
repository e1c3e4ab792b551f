import { useQuery } from "@tanstack/react-query";
import { Label, ProgressBar } from "react-aria-components";
import styled from "styled-components";
import { api } from "../../api/client";
import { withLaid, type Placed, type Message, type SearchQuestion } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice, Choices } from "../../kit/Choice";
import { amountText } from "../../kit/measure";
import { MessageText } from "../../kit/Advice";
import { ink } from "../../kit/theme";
import { useAct } from "../../kit/useAct";
import { useStored } from "../../kit/useStored";
import { useUnit } from "../../kit/Units";
import { Fault, Heading, Quiet, Row } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { SmallSection } from "./SmallSection";

const CHANGES = {
  slide: t("screen.form.along_the_axis"),
  centre: t("screen.form.the_centre"),
  tilt: t("screen.form.the_lean"),
  size: t("screen.form.the_size"),
  flip: t("screen.form.which_end"),
} as const;
type Change = keyof typeof CHANGES;
const ALL = Object.keys(CHANGES) as Change[];
const LOOK_AGAIN_MS = 700;

type Asking = { wishes: string[]; of: string | undefined; may: Change[]; seed: number };

/** Lets the machine look for the places of the form that come closest to what is wished; it goes on while other things are done. */
export function BestPlaces() {
  const { document, id } = useBlank();
  const table = useQuery({ queryKey: ["table", "wishes"], queryFn: () => api.table("wishes"), staleTime: Infinity });
  const [asking, setAsking] = useStored<Asking>(`wishes-of-${id}`, {
    wishes: ["lose_cracks", "largest"],
    of: undefined,
    may: ALL,
    seed: 1,
  });
  const [running, setRunning] = useStored<number | null>(`search-of-${id}`, null);
  const { problem, act, busy } = useAct();
  const names = Object.fromEntries(
    (table.data?.rows ?? [])
      .filter((row) => !row["of"] || document.defects.length > 0)
      .map((row) => [String(row["key"]), t(`tables.wishes.${String(row["key"])}.name`)]),
  );
  const inView = asking.wishes.includes("keep_in_view");
  const chosenOf = asking.of ?? document.defects[0]?.id;
  const ask = (seed: number) => {
    const may_change = asking.may.filter((change) => change !== "flip") as NonNullable<SearchQuestion["may_change"]>;
    const wishes = asking.wishes.map((key) => ({
      key,
      weight: 1,
      ...(key === "keep_in_view" && chosenOf && { of: chosenOf }),
    }));
    void act(
      () => api.askSearch({ document, wishes, may_change, flip: asking.may.includes("flip"), seed }),
      (search) => {
        setAsking({ ...asking, seed });
        setRunning(search.id);
      },
    );
  };
  const unasked =
    asking.wishes.length === 0
      ? t("screen.form.wish_for_something_first")
      : asking.may.every((change) => change === "flip")
        ? t("screen.form.something_besides_the_end_must_be")
        : undefined;
  return (
    <>
      <Heading>{t("screen.form.best_places")}</Heading>
      <div style={{ display: "grid", gap: 10 }}>
        <Choices
          label={t("screen.form.you_want_to")}
          value={asking.wishes}
          options={names}
          onChange={(wishes) => setAsking({ ...asking, wishes })}
        />
        {inView && document.defects.length > 1 && (
          <Choice
            label={t("screen.form.kept_in_view")}
            value={chosenOf ?? ""}
            options={Object.fromEntries(document.defects.map((defect) => [defect.id, defect.id]))}
            onChange={(of) => setAsking({ ...asking, of })}
          />
        )}
        <Choices
          label={t("screen.form.free_to_change")}
          value={asking.may}
          options={CHANGES}
          onChange={(may) => setAsking({ ...asking, may })}
        />
        <Row>
          <Button isDisabled={busy || unasked !== undefined} onPress={() => ask(1)}>
            {t("screen.form.look_for_the_best_places")}
          </Button>
          {running !== null && (
            <Button $kind="quiet" isDisabled={busy || unasked !== undefined} onPress={() => ask(asking.seed + 1)}>
              {t("screen.form.look_elsewhere_too")}
            </Button>
          )}
        </Row>
        {unasked && <Quiet>{unasked}</Quiet>}
        {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      </div>
      {running !== null && <Found id={running} onGone={() => setRunning(null)} />}
    </>
  );
}

function Found({ id, onGone }: { id: number; onGone: () => void }) {
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
