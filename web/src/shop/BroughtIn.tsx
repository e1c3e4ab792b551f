import type { ReactNode } from "react";
import { Link } from "react-router";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Fault, Quiet, Row } from "../kit/parts";
import { ink } from "../kit/theme";
import type { Brought } from "./bringing";
import { Outcome } from "./Outcome";

/** More than so many are not named one by one: they stand on the rack. */
const FEW = 3;

const Taken = ({ id, children }: { id: number; children: ReactNode }) => (
  <Link to={`/blanks/${id}`} style={{ color: ink.moss, fontWeight: 650 }}>
    {children}
  </Link>
);

/** What became of one file. onOther: takes it in the other way, under a number of its own or as copies. */
export function BroughtIn({ entry, onOther }: { entry: Brought; onOther: () => void }) {
  const { file, done, problem } = entry;
  if (done && "id" in done)
    return (
      <Outcome>
        {t("screen.shop.taken_in_as", { name: file.name })} <Taken id={done.id}>{done.text}</Taken>
      </Outcome>
    );
  if (done) {
    const { taken_in, already_here, differ, cards_left, renumbered } = done.shop;
    return (
      <Outcome>
        {t("screen.shop.taken_in_here_already", { name: file.name, count: taken_in.length, already_here })}
        {taken_in.length > 0 && taken_in.length <= FEW && (
          <Row as="p">
            {taken_in.map((blank) => (
              <Taken key={blank.id} id={blank.id}>
                {blank.number ?? ""} {blank.name}
              </Taken>
            ))}
          </Row>
        )}
        {renumbered.map(({ name, from, to }) => (
          <Quiet key={name}>{t("screen.shop.had_no_which_is_taken_it", { name, from, to })}</Quiet>
        ))}
        {cards_left.length > 0 && (
          <Quiet>{t("screen.shop.the_card_it_is_worked_by", { join: cards_left.join(", ") })}</Quiet>
        )}
        {differ.length > 0 && (
          <>
            <Quiet>{t("screen.shop.changed_since_and_left_as_here", { join: differ.join(", ") })}</Quiet>
            <Row>
              <Button onPress={onOther}>{t("screen.shop.take_the_archives_in_as_copies")}</Button>
            </Row>
          </>
        )}
      </Outcome>
    );
  }
  const taken = problem?.status === 409;
  return (
    <Outcome>
      <Fault role="alert">{t("screen.shop.was_not_taken_in", { name: file.name })}</Fault>
      <ul>
        {(problem?.errors ?? []).map(({ pointer, detail }) => (
          <li key={pointer + detail}>
            <code>{pointer || t("screen.shop.the_file")}</code> {detail}
          </li>
        ))}
      </ul>
      {!problem?.errors?.length && <p>{problem?.detail}</p>}
      {taken && (
        <Row>
          <Button onPress={onOther}>{t("screen.shop.take_it_in_under_the_next")}</Button>
        </Row>
      )}
    </Outcome>
  );
}
