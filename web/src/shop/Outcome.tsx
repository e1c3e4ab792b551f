import styled from "styled-components";
import { ink } from "../kit/theme";

/** A line of what became of something. */
export const Outcome = styled.li`
  border-top: 1px solid ${ink.rule};
  padding: 9px 0;
`;
