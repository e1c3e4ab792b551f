import type { ReactNode } from "react";
import styled from "styled-components";
import { ink } from "../kit/theme";

const Sheet = styled.main`
  max-width: 560px;
  margin: 6vh auto;
  padding: 28px 32px;
  background: ${ink.paper};
  border: 1px solid ${ink.rule};
  h1 {
    font-size: 26px;
    margin: 0 0 14px;
  }
  form {
    display: grid;
    gap: 14px;
  }
  @media (max-width: 600px) {
    margin: 0;
    border: 0;
    padding: 20px;
  }
`;

/** One sheet before the shop: what is asked of whoever is not in yet. */
export const DoorSheet = ({ heading, children }: { heading: string; children: ReactNode }) => (
  <Sheet>
    <h1>{heading}</h1>
    {children}
  </Sheet>
);
