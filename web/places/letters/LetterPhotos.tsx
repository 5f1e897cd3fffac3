"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type LetterPhoto, MOST_PHOTOS } from "@keel-round/core/letter";
import type { LetterPicture } from "@/data/letters/images";
import { TextInput } from "@/kit/controls";
import { Fieldset, Image, Label } from "@/kit/elements";
import { yearDate } from "@/kit/words";

/** Pictures of the tanks of a letter: at most two are shown in it, each under words of its own. */
export function LetterPhotos({
  pictures,
  chosen,
  onChoose,
}: {
  pictures: readonly LetterPicture[];
  chosen: readonly LetterPhoto[];
  onChoose: (photos: readonly LetterPhoto[]) => void;
}) {
  const full = chosen.length >= MOST_PHOTOS;
  return (
    <Fieldset mt="14px" data-pictures="">
      <legend>Pictures, two at most</legend>
      <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(220px, 1fr))" gap="14px" mt="8px">
        {pictures.map((p) => {
          const mine = chosen.find((c) => c.photoId === p.id);
          return (
            <Box key={p.id}>
              <Label display="block" cursor="pointer">
                <Image src={`/api/photos/${p.id}?small`} alt="" loading="lazy" w="100%" h="104px" objectFit="cover" />
                <Flex gap="7px" fontSize="14px" mt="4px">
                  <input
                    type="checkbox"
                    checked={mine !== undefined}
                    disabled={full && !mine}
                    onChange={(e) =>
                      onChoose(
                        e.target.checked
                          ? [...chosen, { photoId: p.id, caption: p.note }]
                          : chosen.filter((c) => c.photoId !== p.id),
                      )
                    }
                  />
                  {p.tank}, {yearDate(p.on)}
                </Flex>
              </Label>
              {mine && (
                <TextInput
                  mt="5px"
                  aria-label={`Words under the picture of ${yearDate(p.on)}`}
                  placeholder="words under it"
                  maxLength={190}
                  value={mine.caption}
                  onChange={(e) =>
                    onChoose(chosen.map((c) => (c.photoId === p.id ? { ...c, caption: e.target.value } : c)))
                  }
                />
              )}
            </Box>
          );
        })}
      </Box>
    </Fieldset>
  );
}
