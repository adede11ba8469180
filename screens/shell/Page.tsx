"use client";

import styled from "styled-components";

/** What stands below the head of a page. */
export const Page = styled.main`
  max-width: 1440px;
  margin: 0 auto;
  padding: 1rem;
  min-width: 0;
`;
