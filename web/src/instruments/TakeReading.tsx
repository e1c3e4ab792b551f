import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { amountText } from "../kit/measure";
import { useUnit } from "../kit/Units";
import { useReading } from "./live";

type Props = {
  /** Of the table of instruments. */ of: string;
  spot?: string;
  onTake: (value: number, depthMm?: number) => void;
  large?: boolean;
};

/** What an instrument says now, taken with one press; nothing where there is none. */
export function TakeReading({ of, spot = "", onTake, large = false }: Props) {
  const unit = useUnit();
  const reading = useReading(of, spot);
  if (!reading) return null;
  const { value, settled, depth_mm } = reading;
  const name = t(`tables.instruments.${of}.name`);
  const style = large ? { minHeight: 64, fontSize: 20 } : undefined;
  if (value === null)
    return (
      <Button isDisabled style={style}>
        {t("screen.instruments.is_lost", { name })}
      </Button>
    );
  return (
    <Button style={style} isDisabled={settled === false} onPress={() => onTake(value, depth_mm)}>
      {settled === false
        ? t("screen.instruments.settles", { name })
        : t("screen.instruments.take", { amount: amountText(value, reading.unit ?? "", unit), name })}
    </Button>
  );
}
