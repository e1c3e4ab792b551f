import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Product as Kept } from "../../api/document";
import { Choice } from "../../kit/Choice";
import { Sheet } from "../../kit/DataSheet";
import { changed } from "../../draft/mendSteps";
import { useNames } from "../../kit/useNames";
import type { FieldsOf } from "./fieldsOf";

type Props = FieldsOf & {
  table: Kept["kind"];
  label: string;
  /** Rows that are no choice here. */ without?: string[];
  /** The word for a choice left to the core, where it may be. */ left?: string;
  /** The row taken where none is said. */ usual?: string;
  withSheet?: boolean;
};

/** What a step is done with: a class of the table, or a product on the shop's own shelf with its sheet. */
export function Product({
  step,
  onPut,
  faults,
  place,
  table,
  label,
  without = [],
  left,
  usual = "",
  withSheet = false,
}: Props) {
  const names = useNames(table, without);
  const stores = useQuery({ queryKey: ["stores"], queryFn: api.stores });
  const own = (stores.data?.products ?? []).filter(({ kind, like }) => kind === table && !without.includes(like));
  if (Object.keys(names).length === 0) return null;
  const options = {
    ...(left !== undefined && { "": left }),
    ...Object.fromEntries(own.map(({ id, name }) => [`own-${id}`, name])),
    ...names,
  };
  const chosen = own.find(({ name }) => name === step.sheet?.name);
  const choose = (key: string) => {
    const product = own.find(({ id }) => `own-${id}` === key);
    onPut(
      product
        ? changed(step, { with: product.like, sheet: { ...product.sheet, name: product.name } })
        : changed(step, { with: key === "" ? undefined : key, sheet: undefined }),
    );
  };
  return (
    <>
      <Choice
        label={label}
        value={chosen ? `own-${chosen.id}` : (step.with ?? (left === undefined ? usual : ""))}
        options={options}
        onChange={choose}
      />
      {(withSheet || chosen) && (
        <Sheet
          sheet={step.sheet}
          faults={faults}
          place={`${place}/sheet`}
          onPut={(sheet) => onPut(changed(step, { sheet }))}
        />
      )}
    </>
  );
}
