import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ToggleButton } from "react-aria-components";
import styled from "styled-components";
import { api } from "../api/client";
import { t } from "../i18n/texts";
import { ink } from "../kit/theme";
import { pictureOf } from "../photo/pictures";

const Thumbs = styled.ul`
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 6px;
  margin: 8px 0 2px;
  button {
    padding: 0;
    border: 2px solid ${ink.slate};
    background: none;
    cursor: pointer;
    display: block;
  }
  button[data-selected] {
    border-color: ${ink.ochre};
  }
  button img {
    width: 100%;
    display: block;
  }
`;

const Large = styled.figure`
  margin: 6px 0;
  img {
    max-width: 100%;
    max-height: 32vh;
    border: 1px solid ${ink.slate};
    display: block;
  }
`;

/** What there is to look at of a blank that is practised on: its photographs in a row, one of them large. */
export function PracticePictures({ blankId }: { blankId: number }) {
  const query = useQuery({ queryKey: ["photographs", blankId], queryFn: () => api.photographs(blankId) });
  const [chosen, choose] = useState<number>();
  const pictures = query.data ?? [];
  const large = pictures.find(({ id }) => id === chosen);
  if (pictures.length === 0) return null;
  return (
    <>
      <Thumbs aria-label={t("screen.photo.photographs")}>
        {pictures.map((picture) => (
          <li key={picture.id}>
            <ToggleButton isSelected={picture.id === chosen} onChange={(on) => choose(on ? picture.id : undefined)}>
              <img src={pictureOf(blankId, picture)} alt={picture.caption} />
            </ToggleButton>
          </li>
        ))}
      </Thumbs>
      {large && (
        <Large>
          <figcaption>{large.caption}</figcaption>
          <img src={pictureOf(blankId, large)} alt="" />
        </Large>
      )}
    </>
  );
}
