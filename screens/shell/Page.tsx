"use client";

import styled from "styled-components";

/** What stands below the head of a page. */
export const Page = styled.main`
  width: 100%;
  max-width: 1440px;
  margin: 0 auto;
  padding: 0.9rem 1rem 1.2rem;
  min-width: 0;
`;
