import { Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { AppLink } from "./AppLink";
import { PageTitle } from "./controls";
import { A, H1, Main, Span } from "./elements";
import { PrintButton } from "./PrintButton";

/** A sheet of paper on the screen: printed as it is, without what only a screen needs. */
export function Paper({
  title,
  aside,
  back,
  children,
}: {
  title: string;
  /** Beside the title: a day, a place. */
  aside: string;
  back: { readonly href: string; readonly label: string };
  children: ReactNode;
}) {
  return (
    <Main maxW="760px" mx="auto" p="24px" bg="sheet" minH="100dvh" css={{ "@media print": { padding: 0 } }}>
      <Flex className="screen" gap="14px" align="center" mb="18px">
        <PrintButton />
        <A asChild color="coralline" textDecoration="underline">
          <AppLink href={back.href}>{back.label}</AppLink>
        </A>
      </Flex>
      <Flex
        justify="space-between"
        align="baseline"
        borderBottomWidth="2px"
        borderColor="ink"
        pb="8px"
        wrap="wrap"
        gap="10px"
      >
        <PageTitle>{title}</PageTitle>
        <H1 fontSize="25px" fontWeight="660">
          {title}
        </H1>
        <Span>{aside}</Span>
      </Flex>
      {children}
    </Main>
  );
}
