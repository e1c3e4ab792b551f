import styled from "styled-components";

/** A page beside the bench: what is done on the left, what comes of it on the right. */
export const Room = styled.main`
  overflow-y: auto;
  position: relative;
  padding: 18px 30px 40px;
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(320px, 2fr);
  gap: 10px 44px;
  align-content: start;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    padding: 16px;
  }
  h2 {
    grid-column: 1 / -1;
    font-size: 22px;
  }
`;
