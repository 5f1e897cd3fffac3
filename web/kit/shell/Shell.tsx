import { Box, Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { AppLink } from "@/kit/AppLink";
import { A, Header, Main, Nav, Path, Svg } from "@/kit/elements";
import { AgainDialog } from "@/kit/entry/AgainDialog";
import { Find } from "./Find";
import { Keys } from "./Keys";
import { NavLink, type Place } from "./NavLink";

/** The keel and the name. */
export function Brand() {
  return (
    <Flex gap="10px" align="center" fontWeight="650" fontSize="16px" whiteSpace="nowrap">
      <Svg width="30px" height="22px" viewBox="0 0 30 22" aria-hidden="true">
        <Path d="M2 8 H28" stroke="coralline" strokeWidth="2.6" strokeLinecap="round" />
        <Path d="M10 8 L15 18 L20 8" fill="coralline" />
      </Svg>
      Keel Round
    </Flex>
  );
}

/** Header with today's ribbon, places at the side or, on a phone, at the thumb. */
export function Shell({
  places,
  ribbon,
  name,
  children,
}: {
  places: readonly Place[];
  ribbon: ReactNode;
  name: string;
  children: ReactNode;
}) {
  return (
    <Box minH="100dvh">
      <Keys />
      <AgainDialog />
      <A
        href="#main"
        position="absolute"
        left="-999px"
        _focus={{ left: "8px", top: "8px", bg: "sheet", zIndex: 20, p: "8px" }}
      >
        To the page
      </A>
      <Header
        className="screen"
        h="54px"
        display="flex"
        alignItems="center"
        gap="24px"
        px={{ base: "14px", md: "24px" }}
        borderBottomWidth="1px"
        borderColor="rule"
        bg="sheet"
      >
        <A asChild textDecoration="none" w={{ md: "150px" }}>
          <AppLink href="/round">
            <Brand />
          </AppLink>
        </A>
        <Box flex="1" h="34px" minW="0">
          {ribbon}
        </Box>
        <Flex gap="16px" align="center" color="soft" fontSize="13.5px" whiteSpace="nowrap">
          <Find />
          <A asChild textDecoration="none">
            <AppLink href="/me">{name}</AppLink>
          </A>
        </Flex>
      </Header>
      <Flex>
        <Nav
          className="screen"
          aria-label="Places"
          w={{ base: "100%", md: "132px" }}
          flexShrink={0}
          py={{ base: 0, md: "18px" }}
          borderRightWidth={{ base: 0, md: "1px" }}
          borderTopWidth={{ base: "1px", md: 0 }}
          borderColor="rule"
          display="flex"
          flexDirection={{ base: "row", md: "column" }}
          position={{ base: "fixed", md: "static" }}
          bottom={{ base: 0, md: "auto" }}
          bg={{ base: "sheet", md: "transparent" }}
          zIndex="5"
          minH={{ md: "calc(100dvh - 54px)" }}
        >
          {places.map((p) => (
            <NavLink key={p.href} place={p} />
          ))}
        </Nav>
        <Main id="main" flex="1" minW="0" px={{ base: "14px", md: "28px" }} pt="20px" pb={{ base: "84px", md: "32px" }}>
          {children}
        </Main>
      </Flex>
    </Box>
  );
}
