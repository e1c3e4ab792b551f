import { Link } from "react-router";
import styled from "styled-components";
import type { Shop } from "../api/document";
import { t } from "../i18n/texts";
import { Carry, Heading, Quiet } from "../kit/parts";
import { ink } from "../kit/theme";
import { PutAway } from "./PutAway";

const Pieces = styled.ul`
  columns: 2 220px;
  li {
    break-inside: avoid;
    border-top: 1px solid ${ink.rule};
    display: flex;
    align-items: center;
    gap: 10px;
  }
  li a {
    color: inherit;
    min-height: 44px;
    display: flex;
    align-items: center;
  }
  li a:first-child {
    flex: 1;
    min-width: 0;
    text-decoration: none;
    gap: 8px;
  }
  li a:focus-visible {
    outline: 3px solid ${ink.ochre};
    outline-offset: -2px;
  }
`;

/** The whole shop in one archive, or one blank of it; and what is off the rack. */
export function CarryOut({ shop }: { shop: Shop }) {
  return (
    <>
      <Heading as="h3">{t("screen.shop.carry_out")}</Heading>
      <Carry href="/api/shop/archive" download>
        {t("screen.shop.the_whole_shop_one_archive")}
      </Carry>
      <Quiet>{t("screen.shop.every_blank_with_its_photographs_log")}</Quiet>
      {shop.rack.length > 0 && (
        <>
          <Heading as="h3">{t("screen.shop.one_blank")}</Heading>
          <Quiet>{t("screen.shop.a_file_is_the_blank_by")}</Quiet>
        </>
      )}
      <Pieces>
        {shop.rack.map((place) => (
          <li key={place.id}>
            <Link to={`/blanks/${place.id}`}>
              <strong>{place.number ?? "–"}</strong> {place.name}
            </Link>
            <a
              href={`/api/blanks/${place.id}/export`}
              download
              aria-label={t("screen.shop.file_of", { value: place.number ?? "", name: place.name })}
            >
              {t("screen.shop.file")}
            </a>
            <a
              href={`/api/blanks/${place.id}/export?as=parcel`}
              download
              aria-label={t("screen.shop.parcel_of", { value: place.number ?? "", name: place.name })}
            >
              {t("screen.shop.parcel")}
            </a>
          </li>
        ))}
      </Pieces>
      {shop.put_away.length > 0 && <PutAway shop={shop} />}
    </>
  );
}
