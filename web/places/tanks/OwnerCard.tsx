import { Box } from "@chakra-ui/react";
import { programmeOn } from "@keel-round/core/given";
import { ownerList } from "@keel-round/core/programme";
import type { TankSheet } from "@/data/tanks/tanks";
import { H2, Span, Table } from "@/kit/elements";
import { Paper } from "@/kit/Paper";
import { Cell } from "@/kit/table";

/** What the owner of a tank does between visits, on one sheet of paper for the cabinet's door. */
export function OwnerCard({
  sheet,
  business,
  phone,
}: {
  sheet: Pick<TankSheet, "row" | "site" | "input">;
  business: string;
  phone: string;
}) {
  const { row, site, input } = sheet;
  const groups = ownerList(programmeOn(input, true));
  const animals = input.facts.animals.map((a) => `${a.count} ${a.name}`).join(", ");
  return (
    <Paper
      title={`${row.name}: your own list`}
      aside={site.name}
      back={{ href: `/tanks/${row.id}?tab=programme`, label: "Back to the programme" }}
    >
      {groups.length === 0 && (
        <Box mt="16px" fontSize="17px">
          Nothing is for you to do here: we see to all of it. If something looks or sounds different, call us.
        </Box>
      )}
      {groups.map(({ when, jobs }) => (
        <Box key={when} mt="18px">
          <H2 fontSize="19px" fontWeight="660">
            {when}
          </H2>
          <Table w="100%" borderCollapse="collapse" mt="4px">
            <tbody>
              {jobs.map((j) => (
                <tr key={j.code}>
                  <Cell w="30px" verticalAlign="top">
                    <Box w="18px" h="18px" borderWidth="2px" borderColor="ink" mt="3px" />
                  </Cell>
                  <Cell>
                    <Box fontSize="18px" fontWeight="600">
                      {j.name}
                      {j.code === "owner-count" && animals && (
                        <Span fontWeight="400">
                          : <Span className="num">{animals}</Span>
                        </Span>
                      )}
                    </Box>
                    <Box fontSize="15px" color="soft">
                      {j.reason}
                      {j.needs.length > 0 && ` With: ${j.needs.join(", ")}.`}
                    </Box>
                    {j.caution && (
                      <Box fontSize="15px" color="vermilion">
                        {j.caution}
                      </Box>
                    )}
                  </Cell>
                </tr>
              ))}
            </tbody>
          </Table>
        </Box>
      ))}
      <Box mt="20px" fontSize="16px">
        If anything gasps at the surface, lies on its side, or the floor is wet: {business},{" "}
        <Span className="num" fontWeight="660" whiteSpace="nowrap">
          {phone}
        </Span>
        , at any hour. Plug out before hands go in.
      </Box>
    </Paper>
  );
}
