// Made by tools/messages.mjs from the messages beside this file. Do not edit.
import type { Nothing, Sentence, Value } from "./message.ts";

/** What each message is told with. */
export interface Values {
  readonly "animals-back.reason": Nothing;
  readonly "animals-back.title": { readonly animals: Value };
  readonly "animals-out.reason": Nothing;
  readonly "animals-out.title": { readonly animals: Value };
  readonly "animals.unnamed": Nothing;
  readonly "arrive.access": { readonly access: Value };
  readonly "arrive.climb": { readonly stairs: Value; readonly tank: Value; readonly weight: Value };
  readonly "arrive.craft": Nothing;
  readonly "arrive.disinfect": Nothing;
  readonly "arrive.parking": { readonly where: Value };
  readonly "arrive.pets": { readonly pets: Value };
  readonly "arrive.reason": Nothing;
  readonly "arrive.title": Nothing;
  readonly "arrive.treated": Nothing;
  readonly "auto-exchange.craft": Nothing;
  readonly "auto-exchange.reason": { readonly perDay: Value; readonly newDays: Value; readonly wasteDays: Value; readonly until: Value };
  readonly "auto-exchange.set": { readonly perDay: Value };
  readonly "auto-exchange.short": Nothing;
  readonly "auto-exchange.title": { readonly litres: Value };
  readonly "bed.leaves": { readonly litres: Value };
  readonly "bed.runs-clear": Nothing;
  readonly "bed.sock": Nothing;
  readonly "blow-rock.craft": Nothing;
  readonly "bubbles.caution": Nothing;
  readonly "bubbles.reason": Nothing;
  readonly "bubbles.title": Nothing;
  readonly "chlorine.freed": { readonly ammonia: Value };
  readonly "chlorine.too-much": { readonly has: Value; readonly removes: Value };
  readonly "chlorine.untreated": { readonly has: Value };
  readonly "drain.bucket": Nothing;
  readonly "drain.chamber": Nothing;
  readonly "drain.craft": Nothing;
  readonly "drain.falls": { readonly drop: Value };
  readonly "drain.heater-lowered": Nothing;
  readonly "drain.heater-off": Nothing;
  readonly "drain.lower": { readonly lower: Value };
  readonly "drain.only-chamber": Nothing;
  readonly "drain.reason": Nothing;
  readonly "drain.rest": Nothing;
  readonly "drain.stop": Nothing;
  readonly "drain.title": Nothing;
  readonly "drain.uphill": Nothing;
  readonly "exchange.caution": Nothing;
  readonly "exchange.conditioner": { readonly ml: Value };
  readonly "exchange.craft": Nothing;
  readonly "exchange.reason": Nothing;
  readonly "exchange.title": { readonly litres: Value };
  readonly "feed-after.pause": Nothing;
  readonly "feed-after.reason": Nothing;
  readonly "feed-after.title": Nothing;
  readonly "feed-before.always": { readonly why: Value };
  readonly "feed-before.reason": Nothing;
  readonly "feed-before.title": Nothing;
  readonly "finding.due": Nothing;
  readonly "finding.open": Nothing;
  readonly "finding.title": { readonly what: Value };
  readonly "flow-off.reason": Nothing;
  readonly "flow-off.title": Nothing;
  readonly "glass-inside.acrylic": Nothing;
  readonly "glass-inside.all": Nothing;
  readonly "glass-inside.all.done": Nothing;
  readonly "glass-inside.blade": Nothing;
  readonly "glass-inside.craft": Nothing;
  readonly "glass-inside.leave-one": Nothing;
  readonly "glass-inside.leave-one.done": Nothing;
  readonly "glass-inside.viewing": Nothing;
  readonly "glass-inside.viewing.done": Nothing;
  readonly "hangs.believed": { readonly things: Value };
  readonly "hangs.lid": Nothing;
  readonly "hangs.no-lid": Nothing;
  readonly "hangs.reason": Nothing;
  readonly "hangs.title": Nothing;
  readonly "hazard.bite": Nothing;
  readonly "hazard.spine": Nothing;
  readonly "hazard.sting": Nothing;
  readonly "hazard.toxin": Nothing;
  readonly "heater-off.caution": Nothing;
  readonly "heater-off.reason": Nothing;
  readonly "heater-off.title": Nothing;
  readonly "heater-on.cools": Nothing;
  readonly "heater-on.reason": Nothing;
  readonly "heater-on.settled": Nothing;
  readonly "heater-on.sump": Nothing;
  readonly "heater-on.title": Nothing;
  readonly "held.advice": Nothing;
  readonly "held.another": Nothing;
  readonly "held.filter": Nothing;
  readonly "held.rest": { readonly unit: Value; readonly day: Value };
  readonly "held.title": { readonly job: Value };
  readonly "held.together": { readonly other: Value };
  readonly "held.treatment": { readonly day: Value };
  readonly "hot-water.reason": Nothing;
  readonly "hot-water.title": Nothing;
  readonly "job.against": { readonly why: Value };
  readonly "job.called": { readonly by: Value };
  readonly "job.half": { readonly job: Value; readonly sector: Value; readonly sectors: Value };
  readonly "job.late": { readonly days: Value };
  readonly "job.sector": { readonly job: Value; readonly sector: Value; readonly sectors: Value };
  readonly "job.skipped": { readonly times: number };
  readonly "job.skipped-why": { readonly times: number; readonly why: Value };
  readonly "keep-wet.craft": { readonly every: Value };
  readonly "keep-wet.reason": { readonly minutes: Value; readonly allowed: Value };
  readonly "keep-wet.title": { readonly names: Value };
  readonly "kit.craft": Nothing;
  readonly "kit.reason": Nothing;
  readonly "kit.title": Nothing;
  readonly "level-trim.reason": Nothing;
  readonly "level-trim.title": Nothing;
  readonly "level.chamber": Nothing;
  readonly "level.only-sump": Nothing;
  readonly "level.reason": Nothing;
  readonly "level.title": Nothing;
  readonly "look.animals": { readonly count: Value; readonly first: Value };
  readonly "look.reason": Nothing;
  readonly "look.title": Nothing;
  readonly "media.on-shelf": { readonly day: Value };
  readonly "media.run-out": { readonly day: Value };
  readonly "mix-salt.conditioner": Nothing;
  readonly "mix-salt.craft": Nothing;
  readonly "mix-salt.reason": Nothing;
  readonly "mix-salt.title": { readonly litres: Value };
  readonly "mix.hours.reason": Nothing;
  readonly "mix.hours.title": Nothing;
  readonly "mix.weeks.reason": Nothing;
  readonly "mix.weeks.title": Nothing;
  readonly "mix.when-clear.reason": Nothing;
  readonly "mix.when-clear.title": Nothing;
  readonly "overflow": Nothing;
  readonly "overflow.draw-down": Nothing;
  readonly "ph-first.reason": Nothing;
  readonly "ph-first.title": Nothing;
  readonly "power-down.reason": Nothing;
  readonly "power-down.title": { readonly gear: Value };
  readonly "power-up.bells": Nothing;
  readonly "power-up.reason": Nothing;
  readonly "power-up.title": { readonly gear: Value };
  readonly "refill.air": Nothing;
  readonly "refill.fog": Nothing;
  readonly "refill.parts": { readonly first: Value; readonly firstL: Value; readonly next: Value; readonly nextL: Value };
  readonly "refill.reason": Nothing;
  readonly "refill.tap": { readonly litres: Value; readonly to: "weir" | "line" | "other" };
  readonly "refill.title": { readonly litres: Value; readonly to: "weir" | "line" | "other" };
  readonly "remineralise.check": Nothing;
  readonly "remineralise.reason": Nothing;
  readonly "remineralise.tap": Nothing;
  readonly "remineralise.title": { readonly grams: Value; readonly minerals: Value };
  readonly "retest.reason": Nothing;
  readonly "retest.title": { readonly parameter: Value };
  readonly "rule.rest-care": { readonly unit: Value; readonly day: Value };
  readonly "rule.together-care": Nothing;
  readonly "rule.treatment-care": { readonly day: Value };
  readonly "rule.unrested": Nothing;
  readonly "run-back": { readonly litres: Value; readonly room: Value };
  readonly "salinity-again.reason": Nothing;
  readonly "salinity-again.title": Nothing;
  readonly "sea-check.reason": Nothing;
  readonly "sea-check.title": Nothing;
  readonly "set-back.bare": Nothing;
  readonly "set-back.chamber": Nothing;
  readonly "set-back.draws-air": Nothing;
  readonly "set-back.reason": Nothing;
  readonly "set-back.title": Nothing;
  readonly "siphon-start.craft": Nothing;
  readonly "siphon-start.litres": { readonly litres: Value };
  readonly "siphon-start.title": Nothing;
  readonly "soak.citric": Nothing;
  readonly "soak.in-place": Nothing;
  readonly "soak.strong": Nothing;
  readonly "soak.weak": Nothing;
  readonly "source-test.craft": Nothing;
  readonly "source-test.expired": { readonly day: Value };
  readonly "source-test.never": Nothing;
  readonly "source-test.title": { readonly water: "sea" | "other"; readonly parameters: Value };
  readonly "tape.reason": Nothing;
  readonly "tape.title": { readonly on: "sump" | "other"; readonly line: Value };
  readonly "tell.reason": Nothing;
  readonly "tell.title": Nothing;
  readonly "temper.gasping": Nothing;
  readonly "temper.reason": Nothing;
  readonly "temper.title": Nothing;
  readonly "top-up.caution": Nothing;
  readonly "top-up.closes": Nothing;
  readonly "top-up.conditioner": Nothing;
  readonly "top-up.craft": Nothing;
  readonly "top-up.low": { readonly litres: Value };
  readonly "top-up.reason": Nothing;
  readonly "top-up.rest": { readonly litres: Value };
  readonly "top-up.title": { readonly chamber: "yes" | "other" };
  readonly "top-up.warm": { readonly celsius: Value };
  readonly "vacuum-sector.bare": Nothing;
  readonly "vacuum-sector.bare.done": Nothing;
  readonly "vacuum-sector.sector": { readonly sector: Value; readonly sectors: Value };
  readonly "vacuum-sector.sector.done": { readonly sector: Value; readonly sectors: Value };
  readonly "vacuum-sector.top": Nothing;
  readonly "vacuum-sector.top.done": Nothing;
  readonly "vacuum-sector.whole": Nothing;
  readonly "vacuum-sector.whole.done": Nothing;
  readonly "verify.craft": Nothing;
  readonly "verify.low": { readonly low: Value };
  readonly "verify.reason": Nothing;
  readonly "verify.title": Nothing;
  readonly "warm.caution": Nothing;
  readonly "warm.reason": Nothing;
  readonly "warm.title": Nothing;
  readonly "waste-barrel.craft": { readonly litres: Value };
  readonly "waste-barrel.reason": Nothing;
  readonly "waste-barrel.title": Nothing;
}

/** The sentences, compiled. */
export const SENTENCES: { readonly [C in keyof Values]: Sentence } = {
  "animals-back.reason": () => `Level and salinity are right; the circulation is still off.`,
  "animals-back.title": (t) => `Bring the ${t("animals")} back under water`,
  "animals-out.reason": () => `In a submerged vessel, never lifted into the air.`,
  "animals-out.title": (t) => `Move the ${t("animals")} out under water`,
  "animals.unnamed": () => `animals`,
  "arrive.access": (t) => `Getting at it: ${t("access")}`,
  "arrive.climb": (t) => `${t("stairs")} steps to climb: ${t("tank")} moves ${t("weight")}. Small loads, or two people.`,
  "arrive.craft": () => `Rinse hands and arms without soap; nothing sprayed or scented in the room.`,
  "arrive.disinfect": () => `Disinfect everything after this tank and rinse it.`,
  "arrive.parking": (t) => `Parking: ${t("where")}.`,
  "arrive.pets": (t) => `In the house: ${t("pets")}. Doors closed while hoses lie.`,
  "arrive.reason": () => `Floors first; soap on a hand kills what a tank lives on.`,
  "arrive.title": () => `Towels down, hands and kit clean`,
  "arrive.treated": () => `This tank is under treatment: its own kit only, and nothing of it goes on to another tank.`,
  "auto-exchange.craft": () => `Look at the low-level alarm of the new water, and measure the salinity by hand every week.`,
  "auto-exchange.reason": (t) => `At ${t("perDay")} a day the new water lasts ${t("newDays")} days and the waste vessel ${t("wasteDays")}, until ${t("until")}.`,
  "auto-exchange.set": (t) => `Set the machine to ${t("perDay")} a day.`,
  "auto-exchange.short": () => `They do not last until the next visit: larger vessels, or somebody sees to them in between.`,
  "auto-exchange.title": (t) => `Empty the waste vessel, fill in ${t("litres")} of new water`,
  "bed.leaves": (t) => `The first ${t("litres")} of the drain leave here.`,
  "bed.runs-clear": () => `Until it runs clear. Pinch the hose, and the sand drops back.`,
  "bed.sock": () => `Through a filter sock, so that the water goes back into the tank.`,
  "blow-rock.craft": () => `Stir only the top of open sand: gas goes out a little at a time, and a deep bed is left alone. Look through what floats up for animals.`,
  "bubbles.caution": () => `Off again before the water falls to it.`,
  "bubbles.reason": () => `Fine bubbles lift dirt that a baster does not reach, so that it leaves with the water.`,
  "bubbles.title": () => `Air stone on under the rock for a few minutes`,
  "chlorine.freed": (t) => `Its chloramine frees ${t("ammonia")} of ammonia, which this conditioner does not bind.`,
  "chlorine.too-much": (t) => `This tap holds ${t("has")} of chlorine, the largest dose of the label removes ${t("removes")}: use another water, or run it through carbon first.`,
  "chlorine.untreated": (t) => `This tap holds ${t("has")} of chlorine and has no conditioner: nothing of it goes in as it is.`,
  "drain.bucket": () => `Keep one bucket of the old water for the hardware.`,
  "drain.chamber": () => `Drain the return chamber to its line`,
  "drain.craft": () => `Lay the refill hose ready first. Look through every bucket for animals.`,
  "drain.falls": (t) => `It falls ${t("drop")} to the drain: it runs fast.`,
  "drain.heater-lowered": () => `The heater hangs below the line: check before you drain.`,
  "drain.heater-off": () => `Heater is off. Leave it off until the water is back above it.`,
  "drain.lower": (t) => `Today's line is ${t("lower")} below the tape, since the water stood low.`,
  "drain.only-chamber": () => `The return keeps running, so the display stays as it is and only this chamber falls.`,
  "drain.reason": () => `To a line, with the intake fixed there, so that it ends by itself.`,
  "drain.rest": () => `Let the rest run out to the line`,
  "drain.stop": () => `Stop at the line`,
  "drain.title": () => `Drain to the line`,
  "drain.uphill": () => `The drain lies too high for a siphon: it is pumped.`,
  "exchange.caution": () => `Both ends of each hose tied down.`,
  "exchange.conditioner": (t) => `${t("ml")} mL of conditioner into the tank first, air on.`,
  "exchange.craft": () => `In far from out, so that the new water mixes before it leaves.`,
  "exchange.reason": () => `Gentle: nothing is ever in air. A countdown ends it, and nobody leaves the room.`,
  "exchange.title": (t) => `Run ${t("litres")} in and out together`,
  "feed-after.pause": () => `Pause return and wave-makers on their timer for 15 minutes, so that the food is eaten and not filtered.`,
  "feed-after.reason": () => `A reward, and a check: what does not eat is not well.`,
  "feed-after.title": () => `Feed sparingly and watch`,
  "feed-before.always": (t) => `This tank is always fed first: ${t("why")}.`,
  "feed-before.reason": () => `Fifteen minutes early, so that leftovers leave with the old water and animals eat before the stress.`,
  "feed-before.title": () => `Feed a little`,
  "finding.due": () => `It was put off to today.`,
  "finding.open": () => `Still open from an earlier visit.`,
  "finding.title": (t) => `Look again: ${t("what")}`,
  "flow-off.reason": () => `Bells are never moved in a current.`,
  "flow-off.title": () => `Air off, then circulation off`,
  "glass-inside.acrylic": () => `Acrylic: nothing hard, no blade, no ammonia or alcohol; a soft cloth.`,
  "glass-inside.all": () => `Clean all panes inside`,
  "glass-inside.all.done": () => `cleaned all panes inside`,
  "glass-inside.blade": () => `A hard blade at about 45°.`,
  "glass-inside.craft": () => `Push the sand away from the pane first. A card at the sand line, a brush in the corners; look along the pane from the side.`,
  "glass-inside.leave-one": () => `Clean all panes but the grazers' inside`,
  "glass-inside.leave-one.done": () => `cleaned all panes but the grazers' inside`,
  "glass-inside.viewing": () => `Clean the viewing panes inside`,
  "glass-inside.viewing.done": () => `cleaned the viewing panes inside`,
  "hangs.believed": (t) => `Believed so far: ${t("things")}. Set it right in the tank's settings.`,
  "hangs.lid": () => `a lid`,
  "hangs.no-lid": () => `no lid`,
  "hangs.reason": () => `Taken from its kind, and nobody has looked yet. Its jobs follow what really hangs there.`,
  "hangs.title": () => `See what really hangs on this tank`,
  "hazard.bite": () => `Animals here bite: move slowly and keep a net between.`,
  "hazard.spine": () => `Venomous spines in this tank: use tools, keep hands out. After a prick: hot water, and medical help.`,
  "hazard.sting": () => `Stinging animals in this tank: gloves, and know where they are before a hand goes in.`,
  "hazard.toxin": () => `Some corals here carry a strong toxin: gloves and eye cover, never scrub, heat or spray them.`,
  "heater-off.caution": () => `Hands only in a tank behind a tested residual-current device. Without one, everything is off at the wall.`,
  "heater-off.reason": () => `It cools for 15 to 20 minutes before the water leaves it.`,
  "heater-off.title": () => `Heater off`,
  "heater-on.cools": () => `A heater that was lifted out cools first: hot it melts a tub.`,
  "heater-on.reason": () => `Only when the water stands above it again.`,
  "heater-on.settled": () => `After the return runs and the level has settled.`,
  "heater-on.sump": () => `Heater in the sump on`,
  "heater-on.title": () => `Heater under water, then on`,
  "held.advice": () => `Enough else is left alone here for you to decide otherwise.`,
  "held.another": () => `another job`,
  "held.filter": () => `other filter`,
  "held.rest": (t) => `The ${t("unit")} was serviced less than four weeks ago; earliest ${t("day")}.`,
  "held.title": (t) => `Not today: ${t("job")}`,
  "held.together": (t) => `Not on one visit with: ${t("other")}.`,
  "held.treatment": (t) => `A medication is in the water until ${t("day")}; the filter is left alone, and media would take it up.`,
  "hot-water.reason": () => `Nobody has said so yet, and none is counted on: write it down with the site, and the next plan warms with it.`,
  "hot-water.title": () => `See whether the tap has hot water`,
  "job.against": (t) => `Done all the same: ${t("why")}.`,
  "job.called": (t) => `Called for: ${t("by")}.`,
  "job.half": (t) => `${t("job")}: half ${t("sector")} of ${t("sectors")}`,
  "job.late": (t) => `${t("days")} days late.`,
  "job.sector": (t) => `${t("job")}: sector ${t("sector")} of ${t("sectors")}`,
  "job.skipped": (t, n) => `Skipped ${n("times") === 1 ? `once` : `${t("times")} times`}.`,
  "job.skipped-why": (t, n) => `Skipped ${n("times") === 1 ? `once` : `${t("times")} times`} (${t("why")}).`,
  "keep-wet.craft": (t) => `Every ${t("every")} minutes, with tank water, until the water is back.`,
  "keep-wet.reason": (t) => `In air for about ${t("minutes")} minutes; wetted, they bear ${t("allowed")}.`,
  "keep-wet.title": (t) => `Keep wet: ${t("names")}`,
  "kit.craft": () => `Hang hoses and pump up dry.`,
  "kit.reason": () => `A hose carries disease from one tank to the next.`,
  "kit.title": () => `Count the kit, rinse and disinfect it`,
  "level-trim.reason": () => `The outflow panel stands partly bare at its line.`,
  "level-trim.title": () => `Trim the level with a baster`,
  "level.chamber": () => `Read how far the return chamber stands below its fill line`,
  "level.only-sump": () => `Only the return chamber of the sump shows what evaporated.`,
  "level.reason": () => `Salinity belongs to a level; what is missing is replaced with top-up water.`,
  "level.title": () => `Read how far the water stands below its fill line`,
  "look.animals": (t) => `Look first: ${t("count")} animals, ${t("first")} above all`,
  "look.reason": () => `With pumps on: behaviour, wounds, sound, flow, level, leaks. Gasping at the surface means air at once.`,
  "look.title": () => `Look first, with pumps on`,
  "media.on-shelf": (t) => `Clean ones are on the shelf here, until ${t("day")}.`,
  "media.run-out": (t) => `The clean ones here run out on ${t("day")}, before the next visit: bring some, and have the used ones washed.`,
  "mix-salt.conditioner": () => `Tap water gets its conditioner before the salt.`,
  "mix-salt.craft": () => `Slowly, a scoop at a time.`,
  "mix-salt.reason": () => `Salt into moving water, never water onto salt: it cakes, and calcium and alkalinity fall out. It clears while you clean.`,
  "mix-salt.title": (t) => `Fill ${t("litres")}, pump on, salt in`,
  "mix.hours.reason": () => `Matched to the tank's measured salinity before any of it goes in.`,
  "mix.hours.title": () => `Check the mix: salinity and temperature`,
  "mix.weeks.reason": () => `What stood for weeks has settled and lost water; it is matched again before any of it goes in.`,
  "mix.weeks.title": () => `Stir the kept mix, then check salinity and temperature`,
  "mix.when-clear.reason": () => `Used as soon as it is clear; matched to the tank's measured salinity before any of it goes in.`,
  "mix.when-clear.title": () => `Check the fresh mix: clear, salinity, temperature`,
  "overflow": () => `The sump may overflow.`,
  "overflow.draw-down": () => `Draw it down first, and have its running level lowered.`,
  "ph-first.reason": () => `The pH decides how much of the ammonia is poison; without it the worst is taken.`,
  "ph-first.title": () => `Measure the pH before anything is drained`,
  "power-down.reason": () => `In this order, from this tank's own list; nothing may run dry.`,
  "power-down.title": (t) => `Off: ${t("gear")}`,
  "power-up.bells": () => `Flow first, air last. Floating or sinking is judged with the flow on; write it down.`,
  "power-up.reason": () => `Weir and siphon noise first; the skimmer with its cup raised, top-up last, when the level is right.`,
  "power-up.title": (t) => `On: ${t("gear")}`,
  "refill.air": () => `Air on. Never the whole dose at once into what the drain left: it takes the oxygen.`,
  "refill.fog": () => `A fog of fine bubbles is gas leaving cold pressurised water: pour slower, let it stand.`,
  "refill.parts": (t) => `${t("first")} mL of conditioner before the first ${t("firstL")}, then ${t("next")} mL before each ${t("nextL")}.`,
  "refill.reason": () => `Slow, to keep sand and corals in place and the water free of fine bubbles.`,
  "refill.tap": (t) => `Conditioner in, then ${t("litres")} slowly${t("to") === "weir" ? `, back up to the weir` : t("to") === "line" ? ` to the fill line` : ``}`,
  "refill.title": (t) => `Pour ${t("litres")} slowly, spread over a dish${t("to") === "weir" ? `, back up to the weir` : t("to") === "line" ? ` to the fill line` : ``}`,
  "remineralise.check": () => `Check the hardness of the new water`,
  "remineralise.reason": () => `RO water has none of its own.`,
  "remineralise.tap": () => `This tap is softer than the tank; the minerals bring it up.`,
  "remineralise.title": (t) => `Stir ${t("grams")} g ${t("minerals")} into the new water, check its hardness`,
  "retest.reason": () => `The first figure does not fit what went before: a second one that agrees with it counts, another one replaces it.`,
  "retest.title": (t) => `Measure the ${t("parameter")} once more`,
  "rule.rest-care": (t) => `The ${t("unit")} was serviced less than four weeks ago; they end on ${t("day")}.`,
  "rule.together-care": () => `It does not belong on one visit with another job of today.`,
  "rule.treatment-care": (t) => `A medication is in the water until ${t("day")}.`,
  "rule.unrested": () => `Move some mature media over, refill with tank water, feed less, and test ammonia after one and two days.`,
  "run-back": (t) => `When the return stops ${t("litres")} run back; there is room for ${t("room")}.`,
  "salinity-again.reason": () => `More than a tenth was changed: the figure that counts is the one after it.`,
  "salinity-again.title": () => `Salinity and temperature once more`,
  "sea-check.reason": () => `Low after rain; too old and it has gone flat.`,
  "sea-check.title": () => `Check the sea water: salinity, smell, age`,
  "set-back.bare": () => `Stop the drain, look over what stands bare`,
  "set-back.chamber": () => `Stop the drain`,
  "set-back.draws-air": () => `Before the pump in the return chamber draws air.`,
  "set-back.reason": () => `Before the new water comes: afterwards it clouds.`,
  "set-back.title": () => `Level the bed, set corals and plants back`,
  "siphon-start.craft": () => `A starter, never the mouth.`,
  "siphon-start.litres": (t) => `Start the siphon with the pumps on, ${t("litres")} out of the sump`,
  "siphon-start.title": () => `Start the siphon with the pumps on`,
  "soak.citric": () => `Acid into water, gloves on; never near bleach. Rinse until no smell is left.`,
  "soak.in-place": () => `In its own bucket, running there; never with acid in the tank's circuit.`,
  "soak.strong": () => `Strong acid, minutes only: gloves and eye cover, acid into water, window open, never near bleach.`,
  "soak.weak": () => `Weak acid, half an hour; gloves on, never near bleach. Rinse until no smell is left.`,
  "source-test.craft": () => `Let the pH sample stand open for some hours: as drawn it reads too low.`,
  "source-test.expired": (t) => `Trust expires: it was last measured on ${t("day")}. What it brings decides what a change can reach.`,
  "source-test.never": () => `It was never measured here. What it brings decides what a change can reach.`,
  "source-test.title": (t) => `Test ${t("water") === "sea" ? `the sea water` : `the tap`}: ${t("parameters")}`,
  "tape.reason": () => `The drain line of a full tank: from now on it says by itself where to stop.`,
  "tape.title": (t) => `Put tape on the ${t("on") === "sump" ? `return chamber` : `glass`}, ${t("line")} below the rim`,
  "tell.reason": () => `What was done, what was seen, what they should do.`,
  "tell.title": () => `Tell the owner, leave it dry`,
  "temper.gasping": () => `Fish that gasp while water runs in: stop, condition the whole tank, give air, test.`,
  "temper.reason": () => `Check it again half-way: it drifts while it runs.`,
  "temper.title": () => `Set the mixer tap`,
  "top-up.caution": () => `Never salt water here: it would stay in the tank.`,
  "top-up.closes": () => `The new water is in by litres; evaporation took only water, so only water closes the level.`,
  "top-up.conditioner": () => `Conditioner into the jug first.`,
  "top-up.craft": () => `Slowly, where the water moves.`,
  "top-up.low": (t) => `Top up ${t("litres")}, no further`,
  "top-up.reason": () => `Evaporation took only water: salt and minerals are still there.`,
  "top-up.rest": (t) => `More at once would change the water too fast: ${t("litres")} follow on other days.`,
  "top-up.title": (t) => `Top up to the ${t("chamber") === "yes" ? `return chamber's ` : ``}fill line`,
  "top-up.warm": (t) => `Slowly, where the water moves, at ${t("celsius")}.`,
  "vacuum-sector.bare": () => `Siphon spots off the bare floor`,
  "vacuum-sector.bare.done": () => `siphoned spots off the bare floor`,
  "vacuum-sector.sector": (t) => `Vacuum sector ${t("sector")} of ${t("sectors")}`,
  "vacuum-sector.sector.done": (t) => `vacuumed part ${t("sector")} of ${t("sectors")} of the bed`,
  "vacuum-sector.top": () => `Skim the top of the bed with the siphon`,
  "vacuum-sector.top.done": () => `skimmed the top of the bed with the siphon`,
  "vacuum-sector.whole": () => `Vacuum the whole bed`,
  "vacuum-sector.whole.done": () => `vacuumed the whole bed`,
  "verify.craft": () => `Timers and lights back to automatic.`,
  "verify.low": (t) => `Everything moves, nothing leaks, level ${t("low")} below its fill line`,
  "verify.reason": () => `Every pump that was stopped is looked at, not listened for.`,
  "verify.title": () => `Everything moves, nothing leaks, level at its fill line`,
  "warm.caution": () => `The heater stays unplugged until the barrel is filled above its line.`,
  "warm.reason": () => `It warms by itself while the glass is cleaned.`,
  "warm.title": () => `Warm the new water`,
  "waste-barrel.craft": (t) => `Mark ${t("litres")} on it: it says when to stop.`,
  "waste-barrel.reason": () => `This site must not have salt water in its drain: all of it is carried away.`,
  "waste-barrel.title": () => `Waste barrel ready`,
};
