import styled from "styled-components";
import type { Refused } from "../api/client";
import type { Document, Kept } from "../api/document";
import { Button } from "../kit/Button";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { differences } from "./compare";

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
        <strong>Not saved.</strong> {problem.errors?.[0]?.detail ?? problem.detail} Your draft is kept on this screen.
      </p>
      {current && <Button onPress={() => onChoose(current, true)}>Go on with mine</Button>}
      {current && <Button onPress={() => onChoose(current, false)}>Take theirs</Button>}
      <Button $kind="quiet" onPress={onClose}>
        Close
      </Button>
      {current && (
        <Both tabIndex={0} role="group" aria-label="What differs">
          {apart.length === 0 ? (
            <span>Theirs says the same as yours.</span>
          ) : (
            <table>
              <thead>
                <tr>
                  <th>Differs</th>
                  <th>Yours</th>
                  <th>Theirs</th>
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
