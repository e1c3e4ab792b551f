import { changed } from "../../../draft/mendSteps";
import { CastReport } from "../CastReport";
import { DryTold } from "./DryTold";
import { FillTold } from "./FillTold";
import { GlueTold } from "./GlueTold";
import { HardeningChoice } from "./HardeningChoice";
import { Islands } from "./Islands";
import { StabiliseTold } from "./StabiliseTold";
import type { Told } from "./told";

/** What a step comes to, in full. */
export function Details(props: Told) {
  const { detail } = props;
  return (
    <>
      {detail.dry && <DryTold {...props} dry={detail.dry} />}
      {detail.stabilise && <StabiliseTold {...props} stabilise={detail.stabilise} />}
      {detail.glue && <GlueTold {...props} glue={detail.glue} />}
      {detail.soak && (
        <HardeningChoice
          ways={detail.soak.ways}
          chosen={detail.soak.with}
          onChoose={(key) =>
            props.onPut(
              key === "stabilising"
                ? { id: props.step.id, do: "stabilise", of: props.step.of ?? [] }
                : changed(props.step, { with: key, sheet: undefined }),
            )
          }
        />
      )}
      {detail.fill && <FillTold fill={detail.fill} />}
      {detail.cast && <CastReport {...props} cast={detail.cast} />}
      {detail.inlay && detail.inlay.islands.length > 0 && <Islands islands={detail.inlay.islands} />}
    </>
  );
}
