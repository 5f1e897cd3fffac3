import { Box, Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { PageTitle } from "@/kit/controls";
import { H1 } from "@/kit/elements";
import { Brand } from "@/kit/shell/Shell";

/** A page before the sign-in: one column under the mark, narrow unless there is much in it. */
export function EntryFrame({ title, wide = false, children }: { title: string; wide?: boolean; children: ReactNode }) {
  return (
    <Flex minH="100dvh" align="center" justify="center" px="18px">
      <Box w={wide ? "680px" : "340px"} maxW="100%" py={wide ? "24px" : 0}>
        <Brand />
        <PageTitle>{title}</PageTitle>
        <H1 fontSize="25px" fontWeight="640" mt="18px" mb="16px">
          {title}
        </H1>
        {children}
      </Box>
    </Flex>
  );
}
