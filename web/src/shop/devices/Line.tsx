import styled from "styled-components";
import { ink } from "../../kit/theme";

/** One of a list: what it is, and what can be done with it. */
export const Line = styled.li`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  min-height: 44px;
  border-top: 1px solid ${ink.rule};
  > span:first-child {
    flex: 1;
    min-width: 160px;
  }
`;
