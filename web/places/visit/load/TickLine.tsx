import { Box, Flex } from "@chakra-ui/react";
import { Button, Path, Span, Svg } from "@/kit/elements";

/** One thing with its tick, how much of it, and where it goes. The whole line is pressed. */
export function TickLine({
  item,
  amount,
  note,
  from = "",
  on,
  onPress,
}: {
  item: string;
  amount: string;
  note: string;
  /** Where it is taken from. */
  from?: string;
  on: boolean;
  onPress: () => void;
}) {
  return (
    <Button
      type="button"
      role="checkbox"
      aria-checked={on}
      w="100%"
      minH="56px"
      bg="transparent"
      cursor="pointer"
      textAlign="left"
      borderBottomWidth="1px"
      borderColor="rule"
      onClick={onPress}
      data-tick={item}
    >
      <Flex align="center" gap="12px" color={on ? "soft" : "ink"}>
        <Svg viewBox="0 0 48 48" w="40px" h="40px" flexShrink={0} aria-hidden="true">
          <Path
            d="M11 11 H37 V37 H11 Z"
            fill={on ? "corallineSolid" : "none"}
            stroke={on ? "corallineSolid" : "ruleStrong"}
            strokeWidth="2"
          />
          {on && <Path d="M17 24 L22 30 L32 18" fill="none" stroke="white" strokeWidth="3.5" />}
        </Svg>
        <Box flex="1" minW="0">
          <Box fontSize="17px" fontWeight="560" lineHeight="1.2" _firstLetter={{ textTransform: "uppercase" }}>
            {item}
          </Box>
          <Box fontSize="14.5px" color="soft">
            {note}
          </Box>
          {from !== "" && (
            <Box fontSize="14.5px" color="soft">
              {from}
            </Box>
          )}
        </Box>
        <Span fontFamily="mono" fontSize="22px" fontWeight="600" whiteSpace="nowrap">
          {amount}
        </Span>
      </Flex>
    </Button>
  );
}
