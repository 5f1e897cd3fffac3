import { Box, Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { PageTitle } from "@/kit/controls";
import { H1 } from "@/kit/elements";
import { Brand } from "@/kit/shell/Shell";

/** A page before the sign-in: one narrow column under the mark. */
export function EntryFrame({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Flex minH="100dvh" align="center" justify="center" px="18px">
      <Box w="340px" maxW="100%">
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
