import styled from "styled-components";
import type { Photograph, Story } from "../api/document";
import { t } from "../i18n/texts";
import { ink } from "../kit/theme";
import { pictureOf } from "../photo/pictures";

const Pictures = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
  align-items: end;
  figure {
    margin: 0;
    max-width: 460px;
  }
  img {
    width: 100%;
    max-height: 440px;
    object-fit: contain;
    display: block;
    background: #fff;
  }
  figcaption {
    color: ${ink.quiet};
    font-size: 15px;
  }
`;

/** The first and the last picture, to one scale where both have one, and its section. */
export function BeforeAndAfter({ id, story: { told, pictures } }: { id: number; story: Story }) {
  if (!(pictures.before ?? pictures.after ?? told.form_kind)) return null;
  return (
    <Pictures>
      {[pictures.before, pictures.after].map(
        (one, index) =>
          one && (
            <Picture
              key={one.id}
              id={id}
              picture={one}
              as={index === 0 ? "before" : "after"}
              width={pictures.widths?.[index]}
            />
          ),
      )}
      {told.form_kind && (
        <figure>
          <img src={`/api/blanks/${id}/export?as=section`} alt={t("screen.record.section")} />
          <figcaption>{t("screen.record.section")}</figcaption>
        </figure>
      )}
    </Pictures>
  );
}

type PictureProps = {
  id: number;
  picture: Photograph;
  as: "before" | "after";
  /** As a share, where both are to scale. */
  width: number | undefined;
};

function Picture({ id, picture, as, width }: PictureProps) {
  const what = t(`screen.record.${as}`);
  return (
    <figure>
      <img
        src={pictureOf(id, picture)}
        alt={picture.caption ? `${what}: ${picture.caption}` : what}
        style={width === undefined ? undefined : { width: `${width * 100}%` }}
      />
      <figcaption>
        {what}
        {picture.caption && `: ${picture.caption}`}
      </figcaption>
    </figure>
  );
}
