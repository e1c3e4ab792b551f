import { useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import type { LedgerPiece } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { dayText } from "../kit/dayText";
import { amountText } from "../kit/measure";
import { Row, Ticket } from "../kit/parts";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { hoursText, stepName } from "./Plots";
const Wide = styled.div`
  overflow-x: auto;
`;

/** The pieces that were asked for, one in each row. */
export function Pieces({ pieces }: { pieces: LedgerPiece[] }) {
  const unit = useUnit();
  const money = (value: number | null) => (value === null ? "" : amountText(value, "money", unit));
  return (
    <Wide>
      <Ticket>
        <thead>
          <tr>
            {(["piece", "of", "became", "day"] as const).map((name) => (
              <th key={name} scope="col">
                {t(`screen.ledger.column.${name}`)}
              </th>
            ))}
            {(["hours", "cost", "price", "margin"] as const).map((name) => (
              <th key={name} scope="col" className="number">
                {t(`screen.ledger.column.${name}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {pieces.map((piece) => (
            <tr key={piece.id}>
              <th scope="row">
                <Link to={`/blanks/${piece.id}/record`}>
                  {piece.number ?? ""} {piece.name}
                </Link>
              </th>
              <td>{piece.stuff}</td>
              <td>
                {t(`ledger.outcomes.${piece.outcome}`)}
                {piece.failed_at && `, ${stepName(piece.failed_at).toLowerCase()}`}
              </td>
              <td>{dayText(piece.ended_on)}</td>
              <td className="number">{hoursText(piece.hands_h)}</td>
              <td className="number">{money(piece.cost)}</td>
              <td className="number">{money(piece.price)}</td>
              <td className="number" style={(piece.margin ?? 0) < 0 ? { color: ink.rust } : undefined}>
                {money(piece.margin)}
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
    </Wide>
  );
}

type MoreOf = { from: number; shown: number; count: number; onFrom: (from: number) => void };

/** Further pieces than are shown at once. */
export function More({ from, shown, count, onFrom }: MoreOf) {
  const [step] = useState(shown);
  if (count <= shown && from === 0) return null;
  return (
    <Row style={{ alignItems: "center" }}>
      <Button isDisabled={from === 0} onPress={() => onFrom(Math.max(0, from - step))}>
        {t("screen.ledger.newer")}
      </Button>
      <span>{t("screen.ledger.which", { first: from + 1, last: from + shown, count })}</span>
      <Button isDisabled={from + shown >= count} onPress={() => onFrom(from + shown)}>
        {t("screen.ledger.older")}
      </Button>
    </Row>
  );
}
