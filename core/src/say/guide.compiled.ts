// Made by tools/messages.mjs from the messages beside this file. Do not edit.
import type { Nothing, Sentence, Value } from "./message.ts";

/** What each message is told with. */
export interface Values {
  readonly "clue.after-change": Nothing;
  readonly "clue.after-change.ask": Nothing;
  readonly "clue.after-change.no": Nothing;
  readonly "clue.after-dose": Nothing;
  readonly "clue.after-dose.ask": Nothing;
  readonly "clue.after-dose.no": Nothing;
  readonly "clue.age": { readonly weeks: number; readonly since: Value };
  readonly "clue.air-at-intake": Nothing;
  readonly "clue.air-at-intake.ask": Nothing;
  readonly "clue.air-at-intake.no": Nothing;
  readonly "clue.ammonia-read": Nothing;
  readonly "clue.ammonia-read.ask": Nothing;
  readonly "clue.ammonia-read.no": Nothing;
  readonly "clue.brown-dust": Nothing;
  readonly "clue.brown-dust.ask": Nothing;
  readonly "clue.brown-dust.no": Nothing;
  readonly "clue.bubble-strings": Nothing;
  readonly "clue.bubble-strings.ask": Nothing;
  readonly "clue.bubble-strings.no": Nothing;
  readonly "clue.changed": { readonly days: number; readonly day: Value };
  readonly "clue.changed-today": Nothing;
  readonly "clue.chlorine-read": Nothing;
  readonly "clue.chlorine-read.ask": Nothing;
  readonly "clue.chlorine-read.no": Nothing;
  readonly "clue.corals-closed": Nothing;
  readonly "clue.corals-closed.ask": Nothing;
  readonly "clue.corals-closed.no": Nothing;
  readonly "clue.dark-tufts": Nothing;
  readonly "clue.dark-tufts.ask": Nothing;
  readonly "clue.dark-tufts.no": Nothing;
  readonly "clue.dead-animal": Nothing;
  readonly "clue.dead-animal.ask": Nothing;
  readonly "clue.dead-animal.no": Nothing;
  readonly "clue.doubtful": { readonly kits: Value };
  readonly "clue.drop-below-line": Nothing;
  readonly "clue.drop-below-line.ask": Nothing;
  readonly "clue.drop-below-line.no": Nothing;
  readonly "clue.dug-up": Nothing;
  readonly "clue.dug-up.ask": Nothing;
  readonly "clue.dug-up.no": Nothing;
  readonly "clue.fine-bubbles": Nothing;
  readonly "clue.fine-bubbles.ask": Nothing;
  readonly "clue.fine-bubbles.no": Nothing;
  readonly "clue.flow": { readonly percent: number; readonly day: Value };
  readonly "clue.gasping-fish": Nothing;
  readonly "clue.gasping-fish.ask": Nothing;
  readonly "clue.gasping-fish.no": Nothing;
  readonly "clue.green-glass": Nothing;
  readonly "clue.green-glass.ask": Nothing;
  readonly "clue.green-glass.no": Nothing;
  readonly "clue.green-water": Nothing;
  readonly "clue.green-water.ask": Nothing;
  readonly "clue.green-water.no": Nothing;
  readonly "clue.grinding-noise": Nothing;
  readonly "clue.grinding-noise.ask": Nothing;
  readonly "clue.grinding-noise.no": Nothing;
  readonly "clue.gurgling-noise": Nothing;
  readonly "clue.gurgling-noise.ask": Nothing;
  readonly "clue.gurgling-noise.no": Nothing;
  readonly "clue.hairy-tufts": Nothing;
  readonly "clue.hairy-tufts.ask": Nothing;
  readonly "clue.hairy-tufts.no": Nothing;
  readonly "clue.jar-clumps": Nothing;
  readonly "clue.jar-clumps.ask": Nothing;
  readonly "clue.jar-clumps.no": Nothing;
  readonly "clue.jelly-floats": Nothing;
  readonly "clue.jelly-floats.ask": Nothing;
  readonly "clue.jelly-floats.no": Nothing;
  readonly "clue.jelly-sinks": Nothing;
  readonly "clue.jelly-sinks.ask": Nothing;
  readonly "clue.jelly-sinks.no": Nothing;
  readonly "clue.kept": Nothing;
  readonly "clue.kits-good": Nothing;
  readonly "clue.lets-go": Nothing;
  readonly "clue.lets-go.ask": Nothing;
  readonly "clue.lets-go.no": Nothing;
  readonly "clue.level": { readonly below: Value };
  readonly "clue.level-high": Nothing;
  readonly "clue.level-high.ask": Nothing;
  readonly "clue.level-high.no": Nothing;
  readonly "clue.level-low": Nothing;
  readonly "clue.level-low.ask": Nothing;
  readonly "clue.level-low.no": Nothing;
  readonly "clue.levels": { readonly all: Value };
  readonly "clue.lidded": Nothing;
  readonly "clue.light": { readonly hours: Value };
  readonly "clue.many-gasp": Nothing;
  readonly "clue.many-gasp.ask": Nothing;
  readonly "clue.many-gasp.no": Nothing;
  readonly "clue.milky-water": Nothing;
  readonly "clue.milky-water.ask": Nothing;
  readonly "clue.milky-water.no": Nothing;
  readonly "clue.missing-animal": Nothing;
  readonly "clue.missing-animal.ask": Nothing;
  readonly "clue.missing-animal.no": Nothing;
  readonly "clue.no-power": Nothing;
  readonly "clue.no-power.ask": Nothing;
  readonly "clue.no-power.no": Nothing;
  readonly "clue.nutrients": { readonly all: Value };
  readonly "clue.open": Nothing;
  readonly "clue.reading": { readonly of: Value; readonly is: Value };
  readonly "clue.rock": { readonly rock: "dry" | "other" };
  readonly "clue.rose": { readonly what: Value; readonly from: Value; readonly to: Value; readonly day: Value };
  readonly "clue.second-kit-differs": Nothing;
  readonly "clue.second-kit-differs.ask": Nothing;
  readonly "clue.second-kit-differs.no": Nothing;
  readonly "clue.silt-on-bed": Nothing;
  readonly "clue.silt-on-bed.ask": Nothing;
  readonly "clue.silt-on-bed.no": Nothing;
  readonly "clue.skimmer-over": Nothing;
  readonly "clue.skimmer-over.ask": Nothing;
  readonly "clue.skimmer-over.no": Nothing;
  readonly "clue.slime-sheets": Nothing;
  readonly "clue.slime-sheets.ask": Nothing;
  readonly "clue.slime-sheets.no": Nothing;
  readonly "clue.slipped": { readonly jobs: Value };
  readonly "clue.snails-dying": Nothing;
  readonly "clue.snails-dying.ask": Nothing;
  readonly "clue.snails-dying.no": Nothing;
  readonly "clue.source": { readonly water: Value };
  readonly "clue.spots-rise": Nothing;
  readonly "clue.spots-rise.ask": Nothing;
  readonly "clue.spots-rise.no": Nothing;
  readonly "clue.spotted-fish": Nothing;
  readonly "clue.spotted-fish.ask": Nothing;
  readonly "clue.spotted-fish.no": Nothing;
  readonly "clue.stocked": { readonly day: Value };
  readonly "clue.surface-film": Nothing;
  readonly "clue.surface-film.ask": Nothing;
  readonly "clue.surface-film.no": Nothing;
  readonly "clue.tap-water-new": Nothing;
  readonly "clue.tap-water-new.ask": Nothing;
  readonly "clue.tap-water-new.no": Nothing;
  readonly "clue.unstocked": { readonly days: Value };
  readonly "clue.water-cold": Nothing;
  readonly "clue.water-cold.ask": Nothing;
  readonly "clue.water-cold.no": Nothing;
  readonly "clue.water-warm": Nothing;
  readonly "clue.water-warm.ask": Nothing;
  readonly "clue.water-warm.no": Nothing;
  readonly "clue.wave-maker-stands": Nothing;
  readonly "clue.wave-maker-stands.ask": Nothing;
  readonly "clue.wave-maker-stands.no": Nothing;
  readonly "clue.weak-jet": Nothing;
  readonly "clue.weak-jet.ask": Nothing;
  readonly "clue.weak-jet.no": Nothing;
  readonly "clue.weir-choked": Nothing;
  readonly "clue.weir-choked.ask": Nothing;
  readonly "clue.weir-choked.no": Nothing;
  readonly "clue.wet-floor": Nothing;
  readonly "clue.wet-floor.ask": Nothing;
  readonly "clue.wet-floor.no": Nothing;
  readonly "clue.yellow-water": Nothing;
  readonly "clue.yellow-water.ask": Nothing;
  readonly "clue.yellow-water.no": Nothing;
  readonly "never.black-out": Nothing;
  readonly "never.clean-filter": Nothing;
  readonly "never.cool-fast": { readonly most: Value };
  readonly "never.feed": Nothing;
  readonly "never.fresh-water-in": Nothing;
  readonly "never.hands-in": Nothing;
  readonly "never.medicate": Nothing;
  readonly "never.more-water": Nothing;
  readonly "never.salt-in": Nothing;
  readonly "never.spot-peroxide": Nothing;
  readonly "never.treat-algae": Nothing;
  readonly "never.warm-fast": { readonly most: Value };
  readonly "refer.electrician": Nothing;
  readonly "refer.specialist": Nothing;
  readonly "refer.vet": Nothing;
  readonly "trouble.air-drawn-in.owner": Nothing;
  readonly "trouble.air-drawn-in.why": Nothing;
  readonly "trouble.ammonia.owner": Nothing;
  readonly "trouble.ammonia.why": Nothing;
  readonly "trouble.animals-missing.owner": Nothing;
  readonly "trouble.animals-missing.why": Nothing;
  readonly "trouble.bacterial-bloom.owner": Nothing;
  readonly "trouble.bacterial-bloom.why": Nothing;
  readonly "trouble.blocked-flow.why": Nothing;
  readonly "trouble.brown-film.why": Nothing;
  readonly "trouble.chlorine.owner": Nothing;
  readonly "trouble.chlorine.why": Nothing;
  readonly "trouble.cold-fill-bubbles.why": Nothing;
  readonly "trouble.corals-after-change.owner": Nothing;
  readonly "trouble.corals-after-change.why": Nothing;
  readonly "trouble.corals-water-off.why": Nothing;
  readonly "trouble.dark-tufts.why": Nothing;
  readonly "trouble.dead-wave-maker.why": Nothing;
  readonly "trouble.dinoflagellates.owner": Nothing;
  readonly "trouble.dinoflagellates.why": Nothing;
  readonly "trouble.dose-harms.owner": Nothing;
  readonly "trouble.dose-harms.why": Nothing;
  readonly "trouble.fish-dead.owner": Nothing;
  readonly "trouble.fish-dead.why": Nothing;
  readonly "trouble.fish-spots.owner": Nothing;
  readonly "trouble.fish-spots.why": Nothing;
  readonly "trouble.gasping.owner": Nothing;
  readonly "trouble.gasping.why": Nothing;
  readonly "trouble.green-film.why": Nothing;
  readonly "trouble.green-water.owner": Nothing;
  readonly "trouble.green-water.why": Nothing;
  readonly "trouble.hair-rooted.owner": Nothing;
  readonly "trouble.hair-rooted.why": Nothing;
  readonly "trouble.hair-young.owner": Nothing;
  readonly "trouble.hair-young.why": Nothing;
  readonly "trouble.jelly-heavy.why": Nothing;
  readonly "trouble.jelly-light.why": Nothing;
  readonly "trouble.leak.owner": Nothing;
  readonly "trouble.leak.why": Nothing;
  readonly "trouble.low-oxygen.owner": Nothing;
  readonly "trouble.low-oxygen.why": Nothing;
  readonly "trouble.mixing-error.why": Nothing;
  readonly "trouble.noisy-drain.why": Nothing;
  readonly "trouble.noisy-pump.why": Nothing;
  readonly "trouble.overflow.owner": Nothing;
  readonly "trouble.overflow.why": Nothing;
  readonly "trouble.power-cut.owner": Nothing;
  readonly "trouble.power-cut.why": Nothing;
  readonly "trouble.skimmer-wild.owner": Nothing;
  readonly "trouble.skimmer-wild.why": Nothing;
  readonly "trouble.slime.owner": Nothing;
  readonly "trouble.slime.why": Nothing;
  readonly "trouble.stirred-bed.why": Nothing;
  readonly "trouble.surface-film.why": Nothing;
  readonly "trouble.too-cold.owner": Nothing;
  readonly "trouble.too-cold.why": Nothing;
  readonly "trouble.too-warm.owner": Nothing;
  readonly "trouble.too-warm.why": Nothing;
  readonly "trouble.top-up-stuck.owner": Nothing;
  readonly "trouble.top-up-stuck.why": Nothing;
  readonly "trouble.undissolved-salt.why": Nothing;
  readonly "trouble.wrong-reading.why": Nothing;
  readonly "trouble.yellow-water.why": Nothing;
}

/** The sentences, compiled. */
export const SENTENCES: { readonly [C in keyof Values]: Sentence } = {
  "clue.after-change": () => `It began after new water went in`,
  "clue.after-change.ask": () => `Did it begin within two days of new water?`,
  "clue.after-change.no": () => `not after new water`,
  "clue.after-dose": () => `It began after something was dosed`,
  "clue.after-dose.ask": () => `Was anything dosed in the days before, by anybody?`,
  "clue.after-dose.no": () => `nothing was dosed before it`,
  "clue.age": (t, _n, p) => `Tank is ${p("weeks") === "one" ? `${t("weeks")} week` : `${t("weeks")} weeks`} old, since ${t("since")}`,
  "clue.air-at-intake": () => `A pump draws air`,
  "clue.air-at-intake.ask": () => `Does a pump draw air: a bubbler beside its intake, a low chamber, a loose hose?`,
  "clue.air-at-intake.no": () => `no pump draws air`,
  "clue.ammonia-read": () => `Ammonia is there`,
  "clue.ammonia-read.ask": () => `Test ammonia: is any there?`,
  "clue.ammonia-read.no": () => `no ammonia`,
  "clue.brown-dust": () => `Brown dust`,
  "clue.brown-dust.ask": () => `Is there a brown dust that wipes off?`,
  "clue.brown-dust.no": () => `no brown dust`,
  "clue.bubble-strings": () => `Bubble strings`,
  "clue.bubble-strings.ask": () => `Are there brown strings with bubbles at their ends?`,
  "clue.bubble-strings.no": () => `no strings with bubbles`,
  "clue.changed": (t, n, p) => `${n("days") === 0 ? `New water today` : p("days") === "one" ? `New water yesterday, ${t("day")}` : `Last new water ${t("day")}`}`,
  "clue.changed-today": () => `New water went in today`,
  "clue.chlorine-read": () => `Chlorine is there`,
  "clue.chlorine-read.ask": () => `Test chlorine: is any there?`,
  "clue.chlorine-read.no": () => `no chlorine`,
  "clue.corals-closed": () => `Corals closed`,
  "clue.corals-closed.ask": () => `Do corals stay closed?`,
  "clue.corals-closed.no": () => `corals are open`,
  "clue.dark-tufts": () => `Dark tufts`,
  "clue.dark-tufts.ask": () => `Are there dark tufts on wood or on the edges of slow leaves?`,
  "clue.dark-tufts.no": () => `no dark tufts`,
  "clue.dead-animal": () => `One is dead`,
  "clue.dead-animal.ask": () => `Was an animal found dead?`,
  "clue.dead-animal.no": () => `nothing dead`,
  "clue.doubtful": (t) => `Read with ${t("kits")}, past its time or not calibrated`,
  "clue.drop-below-line": () => `It drips below the water line`,
  "clue.drop-below-line.ask": () => `Does it drip from a seam or joint below the water line?`,
  "clue.drop-below-line.no": () => `dry below the water line`,
  "clue.dug-up": () => `The bed was dug up or is new`,
  "clue.dug-up.ask": () => `Was the bed dug up, or is it new?`,
  "clue.dug-up.no": () => `bed was not touched`,
  "clue.fine-bubbles": () => `Fine bubbles`,
  "clue.fine-bubbles.ask": () => `Is the water full of fine bubbles?`,
  "clue.fine-bubbles.no": () => `no fine bubbles`,
  "clue.flow": (t, n) => `Return flow ${n("percent") === 0 ? `as on` : `down ${t("percent")} % since`} ${t("day")}`,
  "clue.gasping-fish": () => `Fish gasp`,
  "clue.gasping-fish.ask": () => `Do fish gasp at the surface?`,
  "clue.gasping-fish.no": () => `no fish gasps`,
  "clue.green-glass": () => `Green glass`,
  "clue.green-glass.ask": () => `Is there green on the glass?`,
  "clue.green-glass.no": () => `glass is not green`,
  "clue.green-water": () => `Green water`,
  "clue.green-water.ask": () => `Is the water itself green?`,
  "clue.green-water.no": () => `water is not green`,
  "clue.grinding-noise": () => `It grinds`,
  "clue.grinding-noise.ask": () => `Does a pump grind, rattle or hum?`,
  "clue.grinding-noise.no": () => `nothing grinds`,
  "clue.gurgling-noise": () => `It gurgles`,
  "clue.gurgling-noise.ask": () => `Does the drain gurgle or slurp?`,
  "clue.gurgling-noise.no": () => `nothing gurgles`,
  "clue.hairy-tufts": () => `Hairy tufts`,
  "clue.hairy-tufts.ask": () => `Are there hairy tufts?`,
  "clue.hairy-tufts.no": () => `no hairy tufts`,
  "clue.jar-clumps": () => `In a jar it clumps again`,
  "clue.jar-clumps.ask": () => `Shake some in a jar and wait five minutes: does it clump again?`,
  "clue.jar-clumps.no": () => `in a jar it stays apart`,
  "clue.jelly-floats": () => `Bells float up`,
  "clue.jelly-floats.ask": () => `Do the jellyfish float up and stay there?`,
  "clue.jelly-floats.no": () => `bells do not float up`,
  "clue.jelly-sinks": () => `Bells sink`,
  "clue.jelly-sinks.ask": () => `Do the jellyfish sink and lie below?`,
  "clue.jelly-sinks.no": () => `bells do not sink`,
  "clue.kept": () => `No filter job was left out`,
  "clue.kits-good": () => `Kits are in order`,
  "clue.lets-go": () => `They come away in clumps`,
  "clue.lets-go.ask": () => `Pull gently: do the tufts come away in clumps?`,
  "clue.lets-go.no": () => `rooted hard`,
  "clue.level": (t) => `Water stands ${t("below")} below its line`,
  "clue.level-high": () => `Level high`,
  "clue.level-high.ask": () => `Does the water stand above its line?`,
  "clue.level-high.no": () => `level is not high`,
  "clue.level-low": () => `Level low`,
  "clue.level-low.ask": () => `Is the level low?`,
  "clue.level-low.no": () => `level is not low`,
  "clue.levels": (t) => `${t("all")}`,
  "clue.lidded": () => `Tank has a lid`,
  "clue.light": (t) => `Lights are on ${t("hours")} hours a day`,
  "clue.many-gasp": () => `Nearly all of them`,
  "clue.many-gasp.ask": () => `Do nearly all fish gasp, of every kind?`,
  "clue.many-gasp.no": () => `only some of them`,
  "clue.milky-water": () => `Milky water`,
  "clue.milky-water.ask": () => `Is the water milky?`,
  "clue.milky-water.no": () => `water is not milky`,
  "clue.missing-animal": () => `Some missing`,
  "clue.missing-animal.ask": () => `Are animals missing?`,
  "clue.missing-animal.no": () => `all animals are there`,
  "clue.no-power": () => `No power`,
  "clue.no-power.ask": () => `Is there no power?`,
  "clue.no-power.no": () => `power is on`,
  "clue.nutrients": (t) => `${t("all")}`,
  "clue.open": () => `Tank has no lid`,
  "clue.reading": (t) => `${t("of")} ${t("is")}`,
  "clue.rock": (t) => `${t("rock") === "dry" ? `Started on dry rock` : `Not started on dry rock`}`,
  "clue.rose": (t) => `${t("what")} ${t("from")} to ${t("to")} since ${t("day")}`,
  "clue.second-kit-differs": () => `A second kit says otherwise`,
  "clue.second-kit-differs.ask": () => `Test once more with a second kit: does it say otherwise?`,
  "clue.second-kit-differs.no": () => `a second kit says the same`,
  "clue.silt-on-bed": () => `Silt on the bed`,
  "clue.silt-on-bed.ask": () => `Does silt lie on the bed?`,
  "clue.silt-on-bed.no": () => `no silt on the bed`,
  "clue.skimmer-over": () => `Skimmer runs over`,
  "clue.skimmer-over.ask": () => `Does the skimmer run over?`,
  "clue.skimmer-over.no": () => `skimmer is calm`,
  "clue.slime-sheets": () => `Slime sheets`,
  "clue.slime-sheets.ask": () => `Are there slimy sheets that lift off in one piece?`,
  "clue.slime-sheets.no": () => `no slime sheets`,
  "clue.slipped": (t) => `Left out lately: ${t("jobs")}`,
  "clue.snails-dying": () => `Snails dying`,
  "clue.snails-dying.ask": () => `Do snails or shrimp lie on their backs?`,
  "clue.snails-dying.no": () => `snails are well`,
  "clue.source": (t) => `New water is ${t("water")}`,
  "clue.spots-rise": () => `The spots stand out like grains`,
  "clue.spots-rise.ask": () => `Do the spots stand out like grains of salt?`,
  "clue.spots-rise.no": () => `spots lie flat`,
  "clue.spotted-fish": () => `Spots on fish`,
  "clue.spotted-fish.ask": () => `Are there white spots on a fish?`,
  "clue.spotted-fish.no": () => `no spots on fish`,
  "clue.stocked": (t) => `New animals on ${t("day")}`,
  "clue.surface-film": () => `Film on top`,
  "clue.surface-film.ask": () => `Does a film lie on the surface?`,
  "clue.surface-film.no": () => `no film on top`,
  "clue.tap-water-new": () => `Tap water went in without enough conditioner`,
  "clue.tap-water-new.ask": () => `Did tap water go in that was not conditioned, or not enough?`,
  "clue.tap-water-new.no": () => `no unconditioned tap water`,
  "clue.unstocked": (t) => `No new animals for ${t("days")} days`,
  "clue.water-cold": () => `Too cold`,
  "clue.water-cold.ask": () => `Is the water colder than it should be?`,
  "clue.water-cold.no": () => `not too cold`,
  "clue.water-warm": () => `Too warm`,
  "clue.water-warm.ask": () => `Is the water warmer than it should be?`,
  "clue.water-warm.no": () => `not too warm`,
  "clue.wave-maker-stands": () => `A wave-maker stands still`,
  "clue.wave-maker-stands.ask": () => `Does a wave-maker stand still, or blow elsewhere?`,
  "clue.wave-maker-stands.no": () => `wave-makers turn`,
  "clue.weak-jet": () => `Weak jet`,
  "clue.weak-jet.ask": () => `Is the return jet weaker than it was?`,
  "clue.weak-jet.no": () => `jet is as strong as ever`,
  "clue.weir-choked": () => `Weir or drain is choked`,
  "clue.weir-choked.ask": () => `Is the weir, its comb or the drain pipe choked?`,
  "clue.weir-choked.no": () => `weir and drain are clear`,
  "clue.wet-floor": () => `Wet floor`,
  "clue.wet-floor.ask": () => `Is the floor or the cabinet wet?`,
  "clue.wet-floor.no": () => `floor is dry`,
  "clue.yellow-water": () => `Yellow water`,
  "clue.yellow-water.ask": () => `Is the water yellow against white paper?`,
  "clue.yellow-water.no": () => `water is not yellow`,
  "never.black-out": () => `Do not darken the tank: corals live on light.`,
  "never.clean-filter": () => `Leave the filter alone: its bacteria help now.`,
  "never.cool-fast": (t) => `Never cool fast: at most ${t("most")} in a day, no ice into the tank.`,
  "never.feed": () => `Do not feed until they are well again.`,
  "never.fresh-water-in": () => `Never add fresh water: it makes the water lighter still, and they sink further.`,
  "never.hands-in": () => `No hands in the water before the power is off at the wall.`,
  "never.medicate": () => `No medication on a guess: somebody who may diagnose has to see it first.`,
  "never.more-water": () => `Do not change more water than planned: it would make this worse.`,
  "never.salt-in": () => `Never add salt: it makes the water heavier still.`,
  "never.spot-peroxide": () => `No peroxide here: there are animals it would harm.`,
  "never.treat-algae": () => `No algae treatment here: it would harm more than it helps, and shrimp, snails and corals first.`,
  "never.warm-fast": (t) => `Never warm fast: at most ${t("most")} an hour, no hot water into the tank.`,
  "refer.electrician": () => `Wiring is for a licensed electrician; local codes stand above this list.`,
  "refer.specialist": () => `If it does not turn by the next look, ask a specialist.`,
  "refer.vet": () => `Fish health is for an aquatic vet or a fish specialist: call one if it does not turn by tomorrow, or before any medication.`,
  "trouble.air-drawn-in.owner": () => `Top up to the line every day, so that no pump draws air.`,
  "trouble.air-drawn-in.why": () => `A pump that draws air blows it out as fog. The level, a bubbler or a hose is the cause.`,
  "trouble.ammonia.owner": () => `Do not feed, leave the air on, and call when fish gasp again.`,
  "trouble.ammonia.why": () => `It burns the gills. How much of it is poison depends on pH and temperature.`,
  "trouble.animals-missing.owner": () => `Look on the floor around the tank, and count at each feeding.`,
  "trouble.animals-missing.why": () => `Behind the rock, in the weir, on the floor, or eaten.`,
  "trouble.bacterial-bloom.owner": () => `Do not feed for two days and leave the air on. The water clears by itself within days.`,
  "trouble.bacterial-bloom.why": () => `Bacteria that multiply in the open water take its oxygen. They pass within days.`,
  "trouble.blocked-flow.why": () => `Pre-filter, intake, impeller or pipes: a third of the flow is gone before anybody hears it.`,
  "trouble.brown-film.why": () => `Algae of young tanks: normal in the first weeks. Wiped, siphoned and changed they pass. If they stay, the new water brings silicate.`,
  "trouble.chlorine.owner": () => `Add no tap water by yourself, leave the air on, and call when fish gasp again.`,
  "trouble.chlorine.why": () => `Tap water without enough conditioner. It acts within minutes.`,
  "trouble.cold-fill-bubbles.why": () => `Gas that leaves cold, pressurised water. It is not a good sign on fish: fill slower, let it stand.`,
  "trouble.corals-after-change.owner": () => `Nothing: they open by tomorrow morning.`,
  "trouble.corals-after-change.why": () => `Closed until the next morning is normal after a change.`,
  "trouble.corals-water-off.why": () => `Open corals are the first to tell that salinity, alkalinity or temperature moved.`,
  "trouble.dark-tufts.why": () => `It lives on decaying leaves and unsteady CO2. Trim, and treat the spots in measured small amounts.`,
  "trouble.dead-wave-maker.why": () => `Silt settles without flow.`,
  "trouble.dinoflagellates.owner": () => `Do not change or add water by yourself, and leave the food as it is.`,
  "trouble.dinoflagellates.why": () => `They thrive where other life finds no nutrients. More new water feeds them; nutrients and UV turn it.`,
  "trouble.dose-harms.owner": () => `Dose nothing at all until the next visit.`,
  "trouble.dose-harms.why": () => `Snails and shrimp die of doses that fish bear. The dose has to come out again.`,
  "trouble.fish-dead.owner": () => `Count the animals each day and call if another one is found dead.`,
  "trouble.fish-dead.why": () => `One death may be age. Two are a reason to look for a cause: water first.`,
  "trouble.fish-spots.owner": () => `Look at the fish each morning and send a picture if there are more spots. Add nothing to the water.`,
  "trouble.fish-spots.why": () => `Spots have more than one cause. Somebody who may diagnose has to see them.`,
  "trouble.gasping.owner": () => `Leave the air on day and night, do not feed today, and call when fish gasp again.`,
  "trouble.gasping.why": () => `Fish gasp where oxygen is short or their gills are hurt. Air first; temperature, ammonia and chlorine tell which.`,
  "trouble.green-film.why": () => `Normal: it says that a visit was due.`,
  "trouble.green-water.owner": () => `Lights two hours shorter each day, and curtains closed against the sun.`,
  "trouble.green-water.why": () => `Algae that swim. Less light and fewer nutrients, or a UV lamp; a change alone feeds them.`,
  "trouble.hair-rooted.owner": () => `Lights two hours shorter each day, and less food, until the next visit.`,
  "trouble.hair-rooted.why": () => `Rooted hard, it outgrows brushing. A labelled treatment helps only with a large change one to two weeks after it.`,
  "trouble.hair-young.owner": () => `Lights two hours shorter each day, and half the food, until the next visit. It is usual at this age and passes.`,
  "trouble.hair-young.why": () => `Rock that was dry gives off nutrients until about the eighth month. It lets go in clumps, so brushing and siphoning do.`,
  "trouble.jelly-heavy.why": () => `The water is heavier than they are: its salinity is too high, or it is too cold. Slowly back, in the right direction.`,
  "trouble.jelly-light.why": () => `The water is lighter than they are: its salinity is too low, or it is too warm. Slowly back, in the right direction.`,
  "trouble.leak.owner": () => `If the floor gets wet, switch off at the wall and call at once.`,
  "trouble.leak.why": () => `The place of the drip tells how far the water must come down.`,
  "trouble.low-oxygen.owner": () => `Leave the air on day and night, and do not feed today.`,
  "trouble.low-oxygen.why": () => `Too little movement at the surface, or too much that breathes.`,
  "trouble.mixing-error.why": () => `Low right after a change is a mistake in the mix. Wait, measure again, correct in steps.`,
  "trouble.noisy-drain.why": () => `Air in the drain pipe: a valve, a comb or a level that moved.`,
  "trouble.noisy-pump.why": () => `Worn, dirty or running dry. It fails next.`,
  "trouble.overflow.owner": () => `If the floor gets wet, switch off at the wall and call at once.`,
  "trouble.overflow.why": () => `A choked weir, or a sump without room for the water that runs back.`,
  "trouble.power-cut.owner": () => `If the power goes again: no food, lid closed, stir the surface by hand, call.`,
  "trouble.power-cut.why": () => `Without flow a full tank has oxygen for an hour or two.`,
  "trouble.skimmer-wild.owner": () => `Empty the skimmer's cup when it is full, or switch the skimmer off.`,
  "trouble.skimmer-wild.why": () => `Soap, conditioner, a new cup or a high level make it foam over.`,
  "trouble.slime.owner": () => `Feed a little less until the next visit, and leave the pumps on.`,
  "trouble.slime.why": () => `Bacteria in slimy sheets, where little flow reaches and nutrients rise. Siphon it, and bring the flow back.`,
  "trouble.stirred-bed.why": () => `Dust of the bed: harmless. It settles, and the pre-filter catches the rest.`,
  "trouble.surface-film.why": () => `Grease and dust that the overflow does not pull. It keeps oxygen out.`,
  "trouble.too-cold.owner": () => `Leave the lid closed and the lights on; no hot water into the tank.`,
  "trouble.too-cold.why": () => `A heater that failed, or new water that was too cold.`,
  "trouble.too-warm.owner": () => `Leave the lid ajar and the lights off in the heat of the day; no ice into the tank.`,
  "trouble.too-warm.why": () => `Warm water holds less oxygen just when animals need more.`,
  "trouble.top-up-stuck.owner": () => `Leave the automatic top-up off, and top up by hand with fresh water to the line.`,
  "trouble.top-up-stuck.why": () => `A sensor that hangs pours the reservoir into the tank: the salt falls, the level rises.`,
  "trouble.undissolved-salt.why": () => `The salt was not clear yet, or fell out. The missing salt lies in the barrel.`,
  "trouble.wrong-reading.why": () => `A kit past its time, or a slip. Measured again before anything is corrected.`,
  "trouble.yellow-water.why": () => `Tannins, and traces of plants and food. Carbon takes them out.`,
};
