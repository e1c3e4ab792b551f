import styled from "styled-components";
import { amountText } from "../../kit/measure";
import { AdviceList, Worked } from "../../kit/Says";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Heading, Quiet } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";

const Papers = styled.ol`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
  li {
    min-width: 58px;
    text-align: center;
    padding: 10px 8px;
    border: 1px solid ${ink.slate};
    font-weight: 700;
  }
`;

/** Papers in order, speed under them, and how much skin there is. */
export function Finish({ assessment }: AtStation) {
  const unit = useUnit();
  const { finish, form, workings, findings } = assessment;
  return (
    <>
      <AdviceList advice={findings.finish.slice(1)} workings={workings} />
      <Heading>Papers for {finish.finish}, in this order</Heading>
      <Papers>
        {finish.grits.map((grit) => (
          <li key={grit}>P{grit}</li>
        ))}
      </Papers>
      <div>
        <Worked working={workings["/finish/deepest_mark_mm"]}>
          Starts from marks of <strong>{amountText(finish.deepest_mark_mm, "mm", unit)}</strong>.
        </Worked>
      </div>
      <Quiet>Look across a lamp before each next paper: a mark left by the last one stays for good.</Quiet>
      {form && (
        <>
          <Heading>Skin to finish</Heading>
          <div>
            <Worked working={workings["/form/skin_area_mm2/outside"]}>
              Outside <strong>{amountText(form.skin_area_mm2.outside, "mm2", unit)}</strong>
            </Worked>
          </div>
          {form.skin_area_mm2.inside > 0 && (
            <div>
              <Worked working={workings["/form/skin_area_mm2/inside"]}>
                Inside <strong>{amountText(form.skin_area_mm2.inside, "mm2", unit)}</strong>
              </Worked>
            </div>
          )}
        </>
      )}
    </>
  );
}
