import styled from "styled-components";
import { t } from "../../i18n/texts";

/** A small drawing of a section as the core made it, on paper of its own: ink on white by day and by night. */
const Drawn = styled.img`
  display: block;
  width: 100%;
  height: 130px;
  object-fit: contain;
  background: #fff;
`;

export const SmallSection = ({ svg, of }: { svg: string; of: string }) => (
  <Drawn src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`} alt={t("screen.form.section_of", { of })} />
);
