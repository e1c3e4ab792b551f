import styled from "styled-components";
import type { Refused } from "../api/client";
import type { Document, Kept } from "../api/document";
import { Button } from "../kit/Button";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { differences } from "./compare";
import { t } from "../i18n/texts";

export const Notice = styled.div`
  border: 2px solid ${ink.rust};
  background: ${ink.paper};
  padding: 8px 12px;
  display: flex;
  gap: 8px 12px;
  align-items: center;
  flex-wrap: wrap;
  p {
    flex: 1 1 300px;
  }
`;

const Both = styled.div`
  flex: 1 0 100%;
  max-height: 200px;
  overflow-y: auto;
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    padding: 4px 10px 4px 0;
    border-top: 1px solid ${ink.rule};
    font-weight: 400;
  }
  thead th {
    font-size: 14px;
    color: ${ink.quiet};
    border-top: 0;
  }
  td:nth-child(2) {
    font-weight: 650;
  }
`;

type Props = {
  refused: Refused;
  mine: Document;
  onChoose: (current: Kept, mine: boolean) => void;
  onClose: () => void;
};

/** Why it was not saved; where somebody else saved meanwhile, both versions, and whose goes on. Either way undo brings the other back. */
export function Unsaved({ refused, mine, onChoose, onClose }: Props) {
  const unit = useUnit();
  const { problem } = refused;
  const { current } = problem;
  const apart = current ? differences(mine, current.document, unit) : [];
  return (
    <Notice role="alert">
      <p>
        <strong>{t("screen.bench.not_saved")}</strong>{" "}
        {t("screen.bench.your_draft_is_kept_on_this", { value: problem.errors?.[0]?.detail ?? problem.detail })}
      </p>
      {current && <Button onPress={() => onChoose(current, true)}>{t("screen.bench.go_on_with_mine")}</Button>}
      {current && <Button onPress={() => onChoose(current, false)}>{t("screen.bench.take_theirs")}</Button>}
      <Button $kind="quiet" onPress={onClose}>
        {t("screen.bench.close")}
      </Button>
      {current && (
        <Both tabIndex={0} role="group" aria-label={t("screen.bench.what_differs")}>
          {apart.length === 0 ? (
            <span>{t("screen.bench.theirs_says_the_same_as_yours")}</span>
          ) : (
            <table>
              <thead>
                <tr>
                  <th>{t("screen.bench.differs")}</th>
                  <th>{t("screen.bench.yours")}</th>
                  <th>{t("screen.bench.theirs")}</th>
                </tr>
              </thead>
              <tbody>
                {apart.map((row) => (
                  <tr key={row.what}>
                    <td>{row.what}</td>
                    <td>{row.mine}</td>
                    <td>{row.theirs}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </Both>
      )}
    </Notice>
  );
}
