// Made by tools/messages.mjs from the messages beside this file. Do not edit.
import type { Nothing, Sentence, Value } from "./message.ts";

/** What each message is told with. */
export interface Values {
  readonly "act.aim-flow.reason": Nothing;
  readonly "act.aim-flow.title": Nothing;
  readonly "act.air-now.reason": Nothing;
  readonly "act.air-now.title": Nothing;
  readonly "act.because": { readonly troubles: Value };
  readonly "act.brush-tufts.reason": Nothing;
  readonly "act.brush-tufts.title": Nothing;
  readonly "act.calm-skimmer.reason": Nothing;
  readonly "act.calm-skimmer.title": Nothing;
  readonly "act.carbon-in.reason": Nothing;
  readonly "act.carbon-in.title": Nothing;
  readonly "act.clear-prefilter.reason": Nothing;
  readonly "act.clear-prefilter.title": Nothing;
  readonly "act.clear-pump.caution": Nothing;
  readonly "act.clear-pump.reason": Nothing;
  readonly "act.clear-pump.title": Nothing;
  readonly "act.clear-wave-maker.caution": Nothing;
  readonly "act.clear-wave-maker.reason": Nothing;
  readonly "act.clear-wave-maker.title": Nothing;
  readonly "act.clear-weir.reason": Nothing;
  readonly "act.clear-weir.title": Nothing;
  readonly "act.condition-tank.caution": Nothing;
  readonly "act.condition-tank.reason": Nothing;
  readonly "act.condition-tank.title": { readonly dose: Value };
  readonly "act.dissolve-longer.reason": Nothing;
  readonly "act.dissolve-longer.title": Nothing;
  readonly "act.dose": { readonly ml: Value; readonly product: Value; readonly litres: Value };
  readonly "act.dose.peroxide": { readonly ml: Value; readonly litres: Value };
  readonly "act.label-dose": { readonly litres: Value };
  readonly "act.let-be.reason": Nothing;
  readonly "act.let-be.title": Nothing;
  readonly "act.look-at-skin.reason": Nothing;
  readonly "act.look-at-skin.title": Nothing;
  readonly "act.measure-alkalinity.reason": Nothing;
  readonly "act.measure-alkalinity.title": Nothing;
  readonly "act.measure-ammonia.reason": Nothing;
  readonly "act.measure-ammonia.title": Nothing;
  readonly "act.measure-chlorine.reason": Nothing;
  readonly "act.measure-chlorine.title": Nothing;
  readonly "act.measure-flow.reason": Nothing;
  readonly "act.measure-flow.title": Nothing;
  readonly "act.measure-nitrate.reason": Nothing;
  readonly "act.measure-nitrate.title": Nothing;
  readonly "act.measure-ph.reason": Nothing;
  readonly "act.measure-ph.title": Nothing;
  readonly "act.measure-phosphate.reason": Nothing;
  readonly "act.measure-phosphate.title": Nothing;
  readonly "act.measure-salinity.reason": Nothing;
  readonly "act.measure-salinity.title": Nothing;
  readonly "act.measure-temperature.reason": Nothing;
  readonly "act.measure-temperature.title": Nothing;
  readonly "act.photo-of-it.reason": Nothing;
  readonly "act.photo-of-it.title": Nothing;
  readonly "act.plug-out.caution": Nothing;
  readonly "act.plug-out.reason": Nothing;
  readonly "act.plug-out.title": Nothing;
  readonly "act.power-back.caution": Nothing;
  readonly "act.power-back.reason": Nothing;
  readonly "act.power-back.title": Nothing;
  readonly "act.search-animals.reason": Nothing;
  readonly "act.search-animals.title": Nothing;
  readonly "act.shade-and-fan.caution": { readonly most: Value };
  readonly "act.shade-and-fan.reason": Nothing;
  readonly "act.shade-and-fan.title": Nothing;
  readonly "act.shorter-light.reason": Nothing;
  readonly "act.shorter-light.title": Nothing;
  readonly "act.siphon-sheets.reason": Nothing;
  readonly "act.siphon-sheets.title": Nothing;
  readonly "act.siphon-silt.reason": Nothing;
  readonly "act.siphon-silt.title": Nothing;
  readonly "act.siphon-strings.reason": Nothing;
  readonly "act.siphon-strings.title": Nothing;
  readonly "act.slow-fill.reason": Nothing;
  readonly "act.slow-fill.title": Nothing;
  readonly "act.spot-peroxide.caution": Nothing;
  readonly "act.spot-peroxide.reason": Nothing;
  readonly "act.spot-peroxide.title": { readonly dose: Value };
  readonly "act.stop-top-up.reason": Nothing;
  readonly "act.stop-top-up.title": Nothing;
  readonly "act.stop-water.caution": Nothing;
  readonly "act.stop-water.reason": Nothing;
  readonly "act.stop-water.title": Nothing;
  readonly "act.take-air-away.reason": Nothing;
  readonly "act.take-air-away.title": Nothing;
  readonly "act.take-out-dead.caution": Nothing;
  readonly "act.take-out-dead.reason": Nothing;
  readonly "act.take-out-dead.title": Nothing;
  readonly "act.test-again.reason": Nothing;
  readonly "act.test-again.title": Nothing;
  readonly "act.trim-dark.reason": Nothing;
  readonly "act.trim-dark.title": Nothing;
  readonly "act.warm-slowly.caution": { readonly most: Value };
  readonly "act.warm-slowly.reason": Nothing;
  readonly "act.warm-slowly.title": Nothing;
  readonly "act.wipe-film.reason": Nothing;
  readonly "act.wipe-film.title": Nothing;
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
  readonly "attention.crosses": { readonly parameter: Value; readonly limit: Value; readonly edge: "act" | "other"; readonly on: Value; readonly from: Value; readonly to: Value };
  readonly "attention.crosses-open": { readonly parameter: Value; readonly limit: Value; readonly edge: "act" | "other"; readonly on: Value; readonly from: Value };
  readonly "attention.disagree": { readonly parameter: Value; readonly on: Value; readonly low: Value; readonly high: Value };
  readonly "attention.do.beyond-act": Nothing;
  readonly "attention.do.come": { readonly next: Value };
  readonly "attention.do.free-ammonia": Nothing;
  readonly "attention.do.no-reading": Nothing;
  readonly "attention.do.not-looked-again": Nothing;
  readonly "attention.do.open-finding": Nothing;
  readonly "attention.do.outside-ideal": Nothing;
  readonly "attention.do.plan": Nothing;
  readonly "attention.do.ratio": Nothing;
  readonly "attention.do.slipped-twice": Nothing;
  readonly "attention.do.test-again": Nothing;
  readonly "attention.do.third": Nothing;
  readonly "attention.do.watch": { readonly next: Value };
  readonly "attention.outlier": { readonly parameter: Value; readonly value: Value; readonly on: Value };
  readonly "auto-exchange.craft": Nothing;
  readonly "auto-exchange.reason": { readonly perDay: Value; readonly newDays: Value; readonly wasteDays: Value; readonly until: Value };
  readonly "auto-exchange.set": { readonly perDay: Value };
  readonly "auto-exchange.short": Nothing;
  readonly "auto-exchange.title": { readonly litres: Value };
  readonly "bed.leaves": { readonly litres: Value };
  readonly "bed.runs-clear": Nothing;
  readonly "bed.sock": Nothing;
  readonly "blow-rock.craft": Nothing;
  readonly "broken.biological-rest": { readonly job: Value; readonly day: Value; readonly other: Value; readonly otherDay: Value };
  readonly "broken.not-together": { readonly job: Value; readonly other: Value; readonly day: Value };
  readonly "bubbles.caution": Nothing;
  readonly "bubbles.reason": Nothing;
  readonly "bubbles.title": Nothing;
  readonly "calibrate.craft": Nothing;
  readonly "calibrate.done": { readonly kit: Value };
  readonly "calibrate.reason": Nothing;
  readonly "calibrate.title": { readonly kit: Value };
  readonly "check.again": { readonly litres: Value };
  readonly "check.again-on": { readonly day: Value };
  readonly "check.fits": { readonly read: Value };
  readonly "check.odd": { readonly read: Value; readonly expected: Value };
  readonly "check.rest": { readonly day: Value };
  readonly "chlorine.freed": { readonly ammonia: Value };
  readonly "chlorine.too-much": { readonly has: Value; readonly removes: Value };
  readonly "chlorine.untreated": { readonly has: Value };
  readonly "condition.beyond-act": { readonly parameter: Value; readonly value: Value; readonly side: "high" | "other"; readonly limit: Value };
  readonly "condition.beyond-act.retest": { readonly parameter: Value; readonly value: Value; readonly side: "high" | "other"; readonly limit: Value };
  readonly "condition.free-ammonia": { readonly value: Value; readonly limit: Value };
  readonly "condition.no-reading": { readonly parameter: Value };
  readonly "condition.not-looked-again": { readonly trouble: Value; readonly day: Value };
  readonly "condition.old-reading": { readonly parameter: Value; readonly days: number };
  readonly "condition.outside-ideal": { readonly parameter: Value; readonly value: Value; readonly side: "high" | "other"; readonly limit: Value };
  readonly "condition.slipped-twice": { readonly job: Value };
  readonly "condition.will-cross": { readonly parameter: Value; readonly limit: Value; readonly days: number };
  readonly "dose-read.after": { readonly day: Value };
  readonly "dose-read.reason": Nothing;
  readonly "dose-read.title": { readonly parameter: Value };
  readonly "dose.amount": { readonly amount: Value; readonly unit: Value };
  readonly "dose.apart": Nothing;
  readonly "dose.caustic": Nothing;
  readonly "dose.dissolve": Nothing;
  readonly "dose.done": { readonly product: Value };
  readonly "dose.hot": Nothing;
  readonly "dose.measure": Nothing;
  readonly "dose.ph-down": Nothing;
  readonly "dose.ph-up": Nothing;
  readonly "dose.pour": Nothing;
  readonly "dose.reason": { readonly parameter: Value; readonly from: Value; readonly to: Value; readonly target: Value };
  readonly "dose.rest.owner": { readonly amount: Value; readonly days: number };
  readonly "dose.rest.visits": { readonly days: number; readonly amount: Value };
  readonly "dose.spreads": Nothing;
  readonly "dose.title": { readonly amount: Value; readonly product: Value };
  readonly "drain.alone": Nothing;
  readonly "drain.bucket": Nothing;
  readonly "drain.chamber": Nothing;
  readonly "drain.craft": Nothing;
  readonly "drain.falls": { readonly drop: Value };
  readonly "drain.heater-lowered": Nothing;
  readonly "drain.heater-off": Nothing;
  readonly "drain.lower": { readonly lower: Value };
  readonly "drain.only-chamber": Nothing;
  readonly "drain.pressed": Nothing;
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
  readonly "feed-before.alone": Nothing;
  readonly "feed-before.always": { readonly why: Value };
  readonly "feed-before.reason": Nothing;
  readonly "feed-before.title": Nothing;
  readonly "feed.corals": Nothing;
  readonly "feed.portion": { readonly mouths: number };
  readonly "feed.portion.unknown": Nothing;
  readonly "fertiliser.for": { readonly litres: Value };
  readonly "fertiliser.half": { readonly litres: Value };
  readonly "finding.again": { readonly day: Value };
  readonly "finding.agreed": { readonly what: Value };
  readonly "finding.agreed.why": Nothing;
  readonly "finding.due": Nothing;
  readonly "finding.open": Nothing;
  readonly "finding.title": { readonly what: Value };
  readonly "finding.told": { readonly day: Value };
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
  readonly "heater-off.alone": Nothing;
  readonly "heater-off.caution": Nothing;
  readonly "heater-off.pressed": Nothing;
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
  readonly "kit.calibration-due": { readonly day: Value };
  readonly "kit.craft": Nothing;
  readonly "kit.expired": { readonly day: Value };
  readonly "kit.few": { readonly count: number };
  readonly "kit.never-calibrated": Nothing;
  readonly "kit.offset": { readonly by: Value; readonly way: "high" | "other"; readonly within: Value };
  readonly "kit.open-too-long": { readonly day: Value };
  readonly "kit.reason": Nothing;
  readonly "kit.title": Nothing;
  readonly "kit.widened": Nothing;
  readonly "letter.after.anemone": Nothing;
  readonly "letter.after.brackish": Nothing;
  readonly "letter.after.community": Nothing;
  readonly "letter.after.cool-fresh": Nothing;
  readonly "letter.after.jellyfish": Nothing;
  readonly "letter.after.large-polyp": Nothing;
  readonly "letter.after.marine-fish": Nothing;
  readonly "letter.after.planted": Nothing;
  readonly "letter.after.planted-low": Nothing;
  readonly "letter.after.rift-lake": Nothing;
  readonly "letter.after.seahorse": Nothing;
  readonly "letter.after.shrimp": Nothing;
  readonly "letter.after.soft-coral": Nothing;
  readonly "letter.after.stony-coral": Nothing;
  readonly "letter.after.temperate-marine": Nothing;
  readonly "letter.again": { readonly parameters: Value };
  readonly "letter.again.b": { readonly parameters: Value };
  readonly "letter.also": { readonly jobs: Value };
  readonly "letter.also.b": { readonly jobs: Value };
  readonly "letter.also.c": { readonly jobs: Value };
  readonly "letter.ammonia": { readonly value: Value; readonly limit: Value };
  readonly "letter.ammonia.b": { readonly value: Value; readonly limit: Value };
  readonly "letter.carried": { readonly what: Value };
  readonly "letter.carried.on": { readonly what: Value; readonly day: Value };
  readonly "letter.changed": { readonly litres: Value; readonly share: Value };
  readonly "letter.changed.b": { readonly share: Value; readonly litres: Value };
  readonly "letter.changed.c": { readonly litres: Value; readonly share: Value };
  readonly "letter.changed.so": { readonly litres: Value; readonly share: Value; readonly parameter: Value; readonly value: Value };
  readonly "letter.changed.so.b": { readonly share: Value; readonly litres: Value; readonly parameter: Value; readonly value: Value };
  readonly "letter.close": { readonly day: Value; readonly about: Value; readonly phone: Value };
  readonly "letter.close.day": { readonly day: Value; readonly phone: Value };
  readonly "letter.close.open": { readonly phone: Value };
  readonly "letter.corrected": { readonly count: Value };
  readonly "letter.counted": { readonly animals: Value };
  readonly "letter.counted.b": { readonly animals: Value };
  readonly "letter.course": { readonly days: Value };
  readonly "letter.course.day": { readonly day: Value; readonly what: Value };
  readonly "letter.dear": { readonly name: Value };
  readonly "letter.did": { readonly jobs: Value };
  readonly "letter.did.b": { readonly jobs: Value };
  readonly "letter.did.c": { readonly jobs: Value };
  readonly "letter.died": { readonly name: Value; readonly count: number };
  readonly "letter.dosed": { readonly amount: Value; readonly product: Value; readonly parameter: Value; readonly rise: Value };
  readonly "letter.dosed.b": { readonly amount: Value; readonly product: Value; readonly parameter: Value; readonly rise: Value };
  readonly "letter.far": { readonly parameter: Value; readonly side: "high" | "other"; readonly value: Value; readonly low: Value; readonly high: Value };
  readonly "letter.far.b": { readonly begins: Value; readonly value: Value; readonly side: "high" | "other"; readonly low: Value; readonly high: Value };
  readonly "letter.fixed": { readonly what: Value };
  readonly "letter.follow-up": { readonly name: Value; readonly day: Value };
  readonly "letter.for-owner": { readonly what: Value };
  readonly "letter.gasps": { readonly phone: Value };
  readonly "letter.gasps.b": { readonly phone: Value };
  readonly "letter.gear-off": { readonly gear: Value; readonly why: Value };
  readonly "letter.gear-off.b": { readonly gear: Value; readonly why: Value };
  readonly "letter.group": { readonly count: Value; readonly name: Value };
  readonly "letter.group.of": { readonly count: Value; readonly of: Value; readonly name: Value };
  readonly "letter.heading.drifting": { readonly tank: Value };
  readonly "letter.heading.mending": { readonly tank: Value };
  readonly "letter.heading.off": { readonly tank: Value };
  readonly "letter.heading.steady": { readonly tank: Value };
  readonly "letter.heading.unknown": { readonly tank: Value };
  readonly "letter.hello": Nothing;
  readonly "letter.last": { readonly jobs: Value };
  readonly "letter.last.b": { readonly jobs: Value };
  readonly "letter.last.c": { readonly jobs: Value };
  readonly "letter.left": { readonly count: number; readonly why: Value; readonly jobs: Value };
  readonly "letter.left.b": { readonly why: Value; readonly jobs: Value };
  readonly "letter.left.more": { readonly count: Value };
  readonly "letter.list": { readonly when: Value; readonly jobs: Value };
  readonly "letter.looked": Nothing;
  readonly "letter.looked.b": Nothing;
  readonly "letter.looked.c": Nothing;
  readonly "letter.means.alkalinity": Nothing;
  readonly "letter.means.ammonia": Nothing;
  readonly "letter.means.calcium": Nothing;
  readonly "letter.means.gh": Nothing;
  readonly "letter.means.magnesium": Nothing;
  readonly "letter.means.nitrate": Nothing;
  readonly "letter.means.nitrite": Nothing;
  readonly "letter.means.ph": Nothing;
  readonly "letter.means.phosphate": Nothing;
  readonly "letter.means.salinity": Nothing;
  readonly "letter.means.temperature": Nothing;
  readonly "letter.missing": Nothing;
  readonly "letter.missing.b": Nothing;
  readonly "letter.named": { readonly name: Value };
  readonly "letter.near": Nothing;
  readonly "letter.near.b": Nothing;
  readonly "letter.no-reading": { readonly parameters: Value; readonly count: number };
  readonly "letter.no-reading.b": { readonly parameters: Value };
  readonly "letter.not-looked-again": { readonly trouble: Value };
  readonly "letter.note": { readonly side: "high" | "other"; readonly where: "fine" | "little" | "other" };
  readonly "letter.note.after": { readonly value: Value };
  readonly "letter.note.was": { readonly value: Value; readonly day: Value };
  readonly "letter.nothing-measured": Nothing;
  readonly "letter.nothing-measured.b": Nothing;
  readonly "letter.old-reading": { readonly parameter: Value; readonly days: number };
  readonly "letter.old-reading.b": { readonly parameter: Value; readonly days: number };
  readonly "letter.outside": { readonly parameter: Value; readonly side: "high" | "other"; readonly value: Value; readonly low: Value; readonly high: Value };
  readonly "letter.outside.b": { readonly begins: Value; readonly value: Value; readonly side: "high" | "other"; readonly low: Value; readonly high: Value };
  readonly "letter.own-jobs": { readonly jobs: Value };
  readonly "letter.own-jobs.b": { readonly jobs: Value };
  readonly "letter.part.list": Nothing;
  readonly "letter.part.measured": Nothing;
  readonly "letter.part.until": Nothing;
  readonly "letter.put-off": { readonly count: number; readonly jobs: Value };
  readonly "letter.put-off.b": { readonly jobs: Value };
  readonly "letter.put-off.own": { readonly jobs: Value };
  readonly "letter.retest": Nothing;
  readonly "letter.right": Nothing;
  readonly "letter.right.b": Nothing;
  readonly "letter.right.c": Nothing;
  readonly "letter.slipped": { readonly job: Value };
  readonly "letter.slipped.b": { readonly job: Value };
  readonly "letter.soon": { readonly jobs: Value };
  readonly "letter.soon.b": { readonly jobs: Value };
  readonly "letter.soon.own": { readonly jobs: Value };
  readonly "letter.tank": { readonly name: Value };
  readonly "letter.trouble": { readonly trouble: Value; readonly why: Value };
  readonly "letter.trouble.again": { readonly day: Value };
  readonly "letter.trouble.b": { readonly trouble: Value; readonly why: Value };
  readonly "letter.unchanged": Nothing;
  readonly "letter.unchanged.automatic": Nothing;
  readonly "letter.unchanged.automatic.b": Nothing;
  readonly "letter.unchanged.b": Nothing;
  readonly "letter.unchanged.right": Nothing;
  readonly "letter.unchanged.right.b": Nothing;
  readonly "letter.unchanged.treatment": { readonly name: Value; readonly until: Value };
  readonly "letter.unchanged.treatment.b": { readonly name: Value; readonly until: Value };
  readonly "letter.will-cross": { readonly parameter: Value; readonly limit: Value; readonly days: number };
  readonly "letter.will-cross.b": { readonly parameter: Value; readonly days: number; readonly limit: Value };
  readonly "letter.wish.dose": { readonly amount: Value; readonly product: Value; readonly days: number };
  readonly "letter.wish.dose.b": { readonly days: number; readonly amount: Value; readonly product: Value };
  readonly "letter.wish.feed": Nothing;
  readonly "letter.wish.feed-less": Nothing;
  readonly "letter.wish.feed-less.b": Nothing;
  readonly "letter.wish.feed.b": Nothing;
  readonly "letter.wish.salty": Nothing;
  readonly "letter.wish.salty.b": Nothing;
  readonly "letter.wish.top-up": { readonly litres: Value; readonly water: "salt" | "other" };
  readonly "letter.wish.top-up.b": { readonly litres: Value; readonly water: "salt" | "other" };
  readonly "letter.wish.treatment": { readonly name: Value; readonly until: Value };
  readonly "letter.wish.treatment.b": { readonly until: Value; readonly name: Value };
  readonly "level-trim.reason": Nothing;
  readonly "level-trim.title": Nothing;
  readonly "level.chamber": Nothing;
  readonly "level.only-sump": Nothing;
  readonly "level.reason": Nothing;
  readonly "level.title": Nothing;
  readonly "limit.alkalinity-a-day": { readonly value: Value; readonly most: Value };
  readonly "limit.animals": { readonly share: Value; readonly most: Value };
  readonly "limit.calcium-a-day": { readonly value: Value; readonly most: Value };
  readonly "limit.drain-rule": { readonly most: Value };
  readonly "limit.floor": { readonly most: Value };
  readonly "limit.free-ammonia": { readonly value: Value };
  readonly "limit.gh-a-day": { readonly value: Value; readonly most: Value };
  readonly "limit.hose": { readonly most: Value };
  readonly "limit.landmark": { readonly name: Value; readonly most: Value };
  readonly "limit.landmark.minutes": { readonly name: Value; readonly minutes: Value; readonly most: Value };
  readonly "limit.magnesium-a-day": { readonly value: Value; readonly most: Value };
  readonly "limit.on-board": { readonly most: Value };
  readonly "limit.salinity-a-day": { readonly value: Value; readonly most: Value };
  readonly "limit.sump-level": { readonly most: Value };
  readonly "limit.temperature-a-day": { readonly value: Value; readonly most: Value };
  readonly "limit.time-on-site": { readonly minutes: Value; readonly most: Value };
  readonly "look.animals": { readonly count: Value; readonly first: Value };
  readonly "look.pressed": Nothing;
  readonly "look.reason": Nothing;
  readonly "look.title": Nothing;
  readonly "media.on-shelf": { readonly day: Value };
  readonly "media.run-out": { readonly day: Value };
  readonly "misfit.bed-above-level": { readonly most: Value };
  readonly "misfit.dead-too-big": { readonly most: Value };
  readonly "misfit.glass-height": { readonly most: Value };
  readonly "misfit.level-above-glass": { readonly most: Value };
  readonly "misfit.measured-too-big": { readonly most: Value };
  readonly "misfit.needs-sump": Nothing;
  readonly "misfit.no-volume": Nothing;
  readonly "misfit.rock-too-big": { readonly most: Value };
  readonly "misfit.sump-height": { readonly most: Value };
  readonly "misfit.sump-length": { readonly most: Value };
  readonly "misfit.sump-low-above-level": { readonly most: Value };
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
  readonly "moved.because": { readonly job: Value; readonly day: Value; readonly late: number; readonly because: Value };
  readonly "moved.biological-rest": { readonly job: Value; readonly day: Value };
  readonly "moved.full": { readonly day: Value; readonly minutes: Value };
  readonly "moved.half-apart": { readonly day: Value };
  readonly "moved.no-visit-in-window": { readonly day: Value };
  readonly "moved.not-together": { readonly job: Value; readonly day: Value };
  readonly "moved.pinned": { readonly job: Value; readonly day: Value; readonly late: number };
  readonly "moved.treatment": { readonly day: Value };
  readonly "moved.where-put": Nothing;
  readonly "not-dosed.ammonia": Nothing;
  readonly "not-dosed.day-used": Nothing;
  readonly "not-dosed.magnesium-first": { readonly value: Value; readonly parameter: Value };
  readonly "not-dosed.magnesium-today": Nothing;
  readonly "not-dosed.no-product": Nothing;
  readonly "not-dosed.ph-high": { readonly value: Value };
  readonly "not-dosed.retest": Nothing;
  readonly "not-dosed.salt-first": { readonly value: Value };
  readonly "not-dosed.title": { readonly parameter: Value; readonly from: Value };
  readonly "not-dosed.too-much-alkalinity": { readonly value: Value };
  readonly "not-dosed.too-much-calcium": { readonly value: Value };
  readonly "not-dosed.treatment": Nothing;
  readonly "offer.a-tenth": { readonly value: Value };
  readonly "offer.fahrenheit": { readonly value: Value };
  readonly "offer.meq": { readonly value: Value };
  readonly "offer.phosphorus": { readonly value: Value };
  readonly "offer.ten-times": { readonly value: Value };
  readonly "offer.thousand": { readonly value: Value };
  readonly "overflow": Nothing;
  readonly "overflow.draw-down": Nothing;
  readonly "page.note": { readonly how: Value; readonly low: Value; readonly high: Value };
  readonly "page.note.to": { readonly how: Value; readonly high: Value };
  readonly "page.unread": Nothing;
  readonly "ph-first.reason": Nothing;
  readonly "ph-first.title": Nothing;
  readonly "phase.above": Nothing;
  readonly "phase.arrive": Nothing;
  readonly "phase.below": Nothing;
  readonly "phase.drain": Nothing;
  readonly "phase.leave": Nothing;
  readonly "phase.measure": Nothing;
  readonly "phase.on": Nothing;
  readonly "phase.prepare": Nothing;
  readonly "phase.refill": Nothing;
  readonly "power-down.pressed": Nothing;
  readonly "power-down.reason": Nothing;
  readonly "power-down.title": { readonly gear: Value };
  readonly "power-up.bells": Nothing;
  readonly "power-up.pressed": Nothing;
  readonly "power-up.reason": Nothing;
  readonly "power-up.title": { readonly gear: Value };
  readonly "refill.air": Nothing;
  readonly "refill.fog": Nothing;
  readonly "refill.parts": { readonly first: Value; readonly firstL: Value; readonly next: Value; readonly nextL: Value };
  readonly "refill.pressed": Nothing;
  readonly "refill.reason": Nothing;
  readonly "refill.tap": { readonly litres: Value; readonly to: "weir" | "line" | "other" };
  readonly "refill.title": { readonly litres: Value; readonly to: "weir" | "line" | "other" };
  readonly "remineralise.check": Nothing;
  readonly "remineralise.reason": Nothing;
  readonly "remineralise.tap": Nothing;
  readonly "remineralise.title": { readonly grams: Value; readonly minerals: Value };
  readonly "report.all.jobs": { readonly done: number; readonly left: number };
  readonly "report.all.litres": { readonly litres: Value };
  readonly "report.all.lost": { readonly lost: number };
  readonly "report.all.salt": { readonly amount: Value; readonly litres: Value };
  readonly "report.all.tests": { readonly tests: number; readonly share: number };
  readonly "report.all.visits": { readonly visits: number; readonly tanks: number };
  readonly "report.answer.all": { readonly tanks: number };
  readonly "report.answer.some": { readonly count: number; readonly tanks: Value; readonly period: Value };
  readonly "report.answer.steady": { readonly tanks: number; readonly period: Value };
  readonly "report.answer.unknown": { readonly period: Value; readonly tanks: number };
  readonly "report.born": { readonly name: Value; readonly count: number; readonly tank: Value };
  readonly "report.cause": { readonly cause: Value };
  readonly "report.changed": { readonly visits: number; readonly litres: Value; readonly changes: number; readonly share: Value };
  readonly "report.close": { readonly phone: Value };
  readonly "report.did": { readonly jobs: Value };
  readonly "report.did.own": { readonly jobs: Value };
  readonly "report.during": { readonly period: Value };
  readonly "report.during.quarter": { readonly period: Value };
  readonly "report.head.changed": Nothing;
  readonly "report.head.client": Nothing;
  readonly "report.head.lost": Nothing;
  readonly "report.head.right": Nothing;
  readonly "report.head.tanks": Nothing;
  readonly "report.head.visits": Nothing;
  readonly "report.job": { readonly job: Value; readonly times: number };
  readonly "report.left": { readonly job: Value; readonly times: number; readonly reason: Value; readonly said: "yes" | "other" };
  readonly "report.left.all": { readonly jobs: Value };
  readonly "report.lost": { readonly name: Value; readonly count: number; readonly day: Value; readonly tank: Value; readonly cause: Value };
  readonly "report.more": { readonly count: Value };
  readonly "report.more-tanks": { readonly count: number };
  readonly "report.moved-out": { readonly name: Value; readonly count: number; readonly tank: Value };
  readonly "report.no-reading": Nothing;
  readonly "report.nothing-right": Nothing;
  readonly "report.once": { readonly begins: Value; readonly value: Value; readonly low: Value; readonly high: Value };
  readonly "report.once.to": { readonly begins: Value; readonly value: Value; readonly high: Value };
  readonly "report.others": { readonly count: number };
  readonly "report.out": { readonly begins: Value; readonly first: Value; readonly value: Value; readonly low: Value; readonly high: Value; readonly out: number; readonly count: Value };
  readonly "report.out.to": { readonly begins: Value; readonly first: Value; readonly value: Value; readonly high: Value; readonly out: number; readonly count: Value };
  readonly "report.part.curves": Nothing;
  readonly "report.part.grown": Nothing;
  readonly "report.part.lost": Nothing;
  readonly "report.part.replace": Nothing;
  readonly "report.quarter": { readonly first: Value; readonly last: Value };
  readonly "report.recovered": { readonly begins: Value; readonly out: number; readonly count: Value; readonly day: Value; readonly worst: Value; readonly value: Value };
  readonly "report.remedy": { readonly remedy: Value };
  readonly "report.replace": { readonly name: Value; readonly tank: Value; readonly month: Value };
  readonly "report.replace.past": { readonly name: Value; readonly tank: Value; readonly month: Value };
  readonly "report.right": { readonly low: Value; readonly high: Value };
  readonly "report.right.to": { readonly high: Value };
  readonly "report.steady": { readonly parameters: Value; readonly count: number };
  readonly "report.tank.drifting": { readonly tank: Value; readonly parameters: Value; readonly count: number };
  readonly "report.tank.off": { readonly tank: Value; readonly parameters: Value; readonly count: number };
  readonly "report.tank.recovered": { readonly tank: Value };
  readonly "report.tank.steady": { readonly tank: Value };
  readonly "report.tank.unknown": { readonly tank: Value };
  readonly "report.title": { readonly tanks: number; readonly during: Value };
  readonly "report.title.firm": { readonly firm: Value; readonly period: Value };
  readonly "report.topped": { readonly litres: Value };
  readonly "report.visits": { readonly visits: number };
  readonly "report.why": { readonly first: Value; readonly second: Value };
  readonly "rest.advice": { readonly units: Value; readonly least: Value; readonly set: Value };
  readonly "rest.strict": { readonly units: Value; readonly least: Value; readonly set: Value };
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
  readonly "sea.bloom": Nothing;
  readonly "sea.discharge": Nothing;
  readonly "sea.no-salinity": Nothing;
  readonly "sea.no-temperature": Nothing;
  readonly "sea.not-looked": Nothing;
  readonly "sea.not-permitted": Nothing;
  readonly "sea.old": { readonly days: number; readonly most: number };
  readonly "sea.permission-over": { readonly day: Value };
  readonly "sea.thin": { readonly is: Value; readonly least: Value };
  readonly "sea.warm": { readonly is: Value; readonly most: Value };
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
  readonly "top-up-refill.lasts": { readonly perDay: Value; readonly days: number };
  readonly "top-up-refill.litres": { readonly litres: Value };
  readonly "top-up-refill.short": { readonly litres: Value; readonly lasts: number; readonly days: number };
  readonly "top-up.caution": Nothing;
  readonly "top-up.closes": Nothing;
  readonly "top-up.conditioner": Nothing;
  readonly "top-up.craft": Nothing;
  readonly "top-up.low": { readonly litres: Value };
  readonly "top-up.reason": Nothing;
  readonly "top-up.rest": { readonly litres: Value };
  readonly "top-up.title": { readonly chamber: "yes" | "other" };
  readonly "top-up.warm": { readonly celsius: Value };
  readonly "trace.for": { readonly litres: Value };
  readonly "treat.air": Nothing;
  readonly "treat.air.title": { readonly name: Value };
  readonly "treat.air.why": Nothing;
  readonly "treat.back": { readonly things: Value };
  readonly "treat.back.why": { readonly name: Value };
  readonly "treat.carbon": Nothing;
  readonly "treat.change-first": Nothing;
  readonly "treat.copper": { readonly name: Value };
  readonly "treat.dose": { readonly number: Value; readonly of: Value; readonly amount: Value; readonly unit: Value; readonly name: Value };
  readonly "treat.dose.for": { readonly number: Value; readonly of: Value; readonly amount: Value; readonly unit: Value; readonly name: Value; readonly litres: Value };
  readonly "treat.dose.why": Nothing;
  readonly "treat.follow-up": { readonly name: Value };
  readonly "treat.follow-up.change": { readonly name: Value; readonly percent: Value };
  readonly "treat.harms": { readonly name: Value; readonly animals: Value };
  readonly "treat.law": Nothing;
  readonly "treat.off": { readonly name: Value; readonly things: Value };
  readonly "treat.off.why": { readonly day: Value };
  readonly "treat.oxidiser": Nothing;
  readonly "treat.prescription": { readonly name: Value };
  readonly "treat.roster": Nothing;
  readonly "treat.running": { readonly name: Value; readonly day: Value };
  readonly "treat.volume": Nothing;
  readonly "trend.aside": { readonly value: Value; readonly on: Value; readonly expected: Value };
  readonly "trend.aside-slip": { readonly value: Value; readonly on: Value; readonly expected: Value; readonly slip: Value };
  readonly "trend.asked": { readonly on: Value; readonly since: Value; readonly before: Value };
  readonly "trend.climbs": { readonly what: Value; readonly rate: Value };
  readonly "trend.climbs-since": { readonly what: Value; readonly rate: Value; readonly on: Value; readonly before: Value; readonly event: Value };
  readonly "trend.crosses": { readonly limit: Value; readonly on: Value; readonly from: Value; readonly to: Value };
  readonly "trend.crosses-open": { readonly limit: Value; readonly on: Value; readonly from: Value };
  readonly "trend.dosed": { readonly rate: Value };
  readonly "trend.doser.measure-first": { readonly from: Value };
  readonly "trend.doser.right": { readonly now: Value; readonly salt: Value };
  readonly "trend.doser.step": { readonly used: Value; readonly now: Value; readonly way: "up" | "other"; readonly to: Value; readonly salt: Value };
  readonly "trend.fall": { readonly left: Value; readonly now: Value; readonly best: Value; readonly on: Value };
  readonly "trend.falls": { readonly what: Value; readonly rate: Value };
  readonly "trend.falls-since": { readonly what: Value; readonly rate: Value; readonly on: Value; readonly before: Value; readonly event: Value };
  readonly "trend.few": { readonly count: number };
  readonly "trend.none": { readonly rate: Value };
  readonly "trend.outgrown": { readonly lacks: Value };
  readonly "trend.overdosed": { readonly more: Value };
  readonly "trend.pump.brings": { readonly ions: Value };
  readonly "trend.pump.ion": { readonly mgL: Value; readonly ion: "Na" | "K" | "Ca" | "Mg" | "Cl" | "SO4" | "NO3" | "PO4" | "other" };
  readonly "trend.pump.lasts": { readonly days: number };
  readonly "trend.pump.right": { readonly pump: Value; readonly now: Value };
  readonly "trend.pump.step": { readonly pump: Value; readonly now: Value; readonly used: Value; readonly way: "up" | "other"; readonly to: Value };
  readonly "trend.ratio.little-nitrate": { readonly to: Value; readonly usual: Value };
  readonly "trend.ratio.little-phosphate": { readonly to: Value; readonly usual: Value };
  readonly "trend.ratio.magnesium": { readonly used: Value; readonly most: Value };
  readonly "trend.ratio.salt-comes": { readonly rate: Value };
  readonly "trend.ratio.salt-goes": { readonly rate: Value };
  readonly "trend.ratio.salt-in-top-up": { readonly rate: Value; readonly evaporates: Value; readonly holds: Value };
  readonly "trend.settles": { readonly share: Value; readonly days: number; readonly peak: Value };
  readonly "trend.settles-hold": { readonly share: Value; readonly days: number; readonly peak: Value; readonly needs: Value; readonly limit: Value };
  readonly "trend.settles-never": { readonly share: Value; readonly days: number; readonly peak: Value; readonly limit: Value };
  readonly "trend.settles-often": { readonly share: Value; readonly days: number; readonly peak: Value; readonly often: number; readonly limit: Value };
  readonly "trend.slip.a-tenth": Nothing;
  readonly "trend.slip.fahrenheit": Nothing;
  readonly "trend.slip.meq": Nothing;
  readonly "trend.slip.phosphorus": Nothing;
  readonly "trend.slip.ten-times": Nothing;
  readonly "trend.slip.thousand": Nothing;
  readonly "trend.spell.lasts": { readonly way: "high" | "other"; readonly from: Value; readonly worst: Value };
  readonly "trend.spell.once": { readonly way: "high" | "other"; readonly from: Value; readonly worst: Value };
  readonly "trend.spell.past": { readonly way: "high" | "other"; readonly from: Value; readonly to: Value; readonly worst: Value };
  readonly "trend.start-dosing": { readonly limit: Value; readonly rate: Value };
  readonly "trend.together": { readonly alkalinity: Value; readonly rises: "yes" | "other"; readonly calcium: Value; readonly makes: "yes" | "other"; readonly expected: Value; readonly doubt: Value };
  readonly "trend.unread": Nothing;
  readonly "trend.uses": { readonly rate: Value; readonly what: Value; readonly dosed: Value };
  readonly "trend.uses-since": { readonly rate: Value; readonly what: Value; readonly on: Value; readonly before: Value; readonly dosed: Value; readonly event: Value };
  readonly "trend.within": Nothing;
  readonly "trouble.air-drawn-in": Nothing;
  readonly "trouble.ammonia": Nothing;
  readonly "trouble.animals-missing": Nothing;
  readonly "trouble.bacterial-bloom": Nothing;
  readonly "trouble.blocked-flow": Nothing;
  readonly "trouble.brown-film": Nothing;
  readonly "trouble.chlorine": Nothing;
  readonly "trouble.cold-fill-bubbles": Nothing;
  readonly "trouble.corals-after-change": Nothing;
  readonly "trouble.corals-water-off": Nothing;
  readonly "trouble.dark-tufts": Nothing;
  readonly "trouble.dead-wave-maker": Nothing;
  readonly "trouble.dinoflagellates": Nothing;
  readonly "trouble.dose-harms": Nothing;
  readonly "trouble.fish-dead": Nothing;
  readonly "trouble.fish-spots": Nothing;
  readonly "trouble.gasping": Nothing;
  readonly "trouble.green-film": Nothing;
  readonly "trouble.green-water": Nothing;
  readonly "trouble.hair-rooted": Nothing;
  readonly "trouble.hair-young": Nothing;
  readonly "trouble.jelly-heavy": Nothing;
  readonly "trouble.jelly-light": Nothing;
  readonly "trouble.leak": Nothing;
  readonly "trouble.low-oxygen": Nothing;
  readonly "trouble.mixing-error": Nothing;
  readonly "trouble.noisy-drain": Nothing;
  readonly "trouble.noisy-pump": Nothing;
  readonly "trouble.overflow": Nothing;
  readonly "trouble.power-cut": Nothing;
  readonly "trouble.skimmer-wild": Nothing;
  readonly "trouble.slime": Nothing;
  readonly "trouble.stirred-bed": Nothing;
  readonly "trouble.surface-film": Nothing;
  readonly "trouble.too-cold": Nothing;
  readonly "trouble.too-warm": Nothing;
  readonly "trouble.top-up-stuck": Nothing;
  readonly "trouble.undissolved-salt": Nothing;
  readonly "trouble.wrong-reading": Nothing;
  readonly "trouble.yellow-water": Nothing;
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
  readonly "warm.alone": Nothing;
  readonly "warm.caution": Nothing;
  readonly "warm.reason": Nothing;
  readonly "warm.title": Nothing;
  readonly "waste-barrel.craft": { readonly litres: Value };
  readonly "waste-barrel.reason": Nothing;
  readonly "waste-barrel.title": Nothing;
  readonly "water.ammonia-bound": Nothing;
  readonly "water.ammonia-emergency": { readonly value: Value; readonly limit: Value };
  readonly "water.ammonia-would-rise": { readonly before: Value; readonly after: Value; readonly limit: Value; readonly ph: Value };
  readonly "water.automatic": { readonly litres: Value; readonly until: Value };
  readonly "water.by-condition": Nothing;
  readonly "water.by-condition.bad": { readonly parameters: Value; readonly count: number };
  readonly "water.cannot-reach": { readonly parameter: Value; readonly target: Value; readonly refill: Value };
  readonly "water.chosen": { readonly litres: Value; readonly who: Value };
  readonly "water.chosen-on-site": { readonly litres: Value };
  readonly "water.dose": { readonly parameter: Value; readonly value: Value; readonly low: Value };
  readonly "water.dosing-leaves-salt": { readonly perDay: Value; readonly settles: Value };
  readonly "water.held": { readonly limit: Value };
  readonly "water.in-steps": { readonly changes: Value; readonly days: Value };
  readonly "water.left-low": { readonly today: Value; readonly rest: Value };
  readonly "water.longest-interval": { readonly days: Value };
  readonly "water.no-reading": { readonly parameters: Value };
  readonly "water.outside-bands": { readonly parameters: Value; readonly count: number; readonly days: Value };
  readonly "water.overflow": { readonly litres: Value; readonly room: Value };
  readonly "water.ph-first": { readonly of: "tank" | "other"; readonly worst: Value; readonly limit: Value };
  readonly "water.ph-shift": { readonly refill: Value; readonly before: Value; readonly most: Value };
  readonly "water.policy.continuous": { readonly share: Value };
  readonly "water.policy.fixed-share": { readonly share: Value };
  readonly "water.policy.reset": { readonly share: Value };
  readonly "water.policy.test-led": { readonly share: Value };
  readonly "water.raised": { readonly from: Value; readonly parameter: Value; readonly value: Value; readonly target: Value };
  readonly "water.retest": { readonly parameter: Value; readonly value: Value; readonly expected: Value };
  readonly "water.salinity-assumed": { readonly value: Value };
  readonly "water.salinity-creeps": { readonly perDay: Value; readonly topUp: Value };
  readonly "water.salinity-in-steps": { readonly from: Value; readonly today: Value; readonly target: Value; readonly days: Value };
  readonly "water.sea-refused": { readonly source: Value; readonly why: Value };
  readonly "water.too-cold": { readonly value: Value; readonly floor: Value };
  readonly "water.treatment": { readonly name: Value; readonly until: Value };
  readonly "water.treatment-follow-up": { readonly name: Value };
  readonly "water.within-bands": { readonly days: Value };
  readonly "water.wrong-water.no-salt": { readonly source: Value };
  readonly "water.wrong-water.salt": { readonly source: Value };
  readonly "water.wrong-water.too-far": { readonly source: Value; readonly psu: Value; readonly tank: Value };
  readonly "water.young": { readonly phase: Value; readonly times: Value };
  readonly "weeks.away": { readonly name: Value; readonly why: Value };
  readonly "weeks.barrels": { readonly needs: Value; readonly most: Value };
  readonly "weeks.closed": { readonly day: Value };
  readonly "weeks.closed-then": Nothing;
  readonly "weeks.knows": { readonly name: Value; readonly what: Value };
  readonly "weeks.litres": { readonly over: Value };
  readonly "weeks.load": { readonly over: Value };
  readonly "weeks.no-room": Nothing;
  readonly "weeks.no-tide": Nothing;
  readonly "weeks.offer.none": Nothing;
  readonly "weeks.overtime": { readonly time: Value };
  readonly "weeks.rhythm.longer": { readonly tank: Value; readonly parameter: Value; readonly ceiling: Value; readonly days: Value; readonly rhythm: Value };
  readonly "weeks.rhythm.shorter": { readonly tank: Value; readonly parameter: Value; readonly peak: Value; readonly ceiling: Value; readonly rhythm: Value };
  readonly "weeks.septic": { readonly waste: Value; readonly van: Value };
  readonly "weeks.since": { readonly days: number; readonly usual: Value };
  readonly "weeks.slips": { readonly days: number };
  readonly "weeks.stays.begun": Nothing;
  readonly "weeks.stays.best": Nothing;
  readonly "weeks.stays.drifts": Nothing;
  readonly "weeks.stays.heavy": { readonly water: Value; readonly van: Value };
  readonly "weeks.stays.hours": Nothing;
  readonly "weeks.stays.nobody": Nothing;
  readonly "weeks.stays.spacing": Nothing;
  readonly "weeks.tell.both": { readonly site: Value; readonly was: Value; readonly who: Value; readonly on: Value; readonly phone: Value };
  readonly "weeks.tell.correction": { readonly site: Value; readonly was: Value; readonly phone: Value };
  readonly "weeks.tell.day": { readonly site: Value; readonly was: Value; readonly on: Value; readonly phone: Value };
  readonly "weeks.tell.none": { readonly site: Value; readonly was: Value; readonly phone: Value };
  readonly "weeks.tell.who": { readonly was: Value; readonly who: Value; readonly site: Value; readonly phone: Value };
  readonly "weeks.too-long": { readonly closes: Value };
  readonly "weeks.twice": { readonly name: Value };
  readonly "weeks.until": { readonly days: number; readonly usual: Value };
  readonly "weeks.why.earlier": { readonly day: Value; readonly time: Value };
  readonly "weeks.why.even": Nothing;
  readonly "weeks.why.hours": { readonly day: Value };
  readonly "weeks.why.less": { readonly time: Value };
  readonly "weeks.why.lighter": { readonly day: Value; readonly less: Value };
  readonly "weeks.why.refill": { readonly less: Value; readonly time: Value };
  readonly "weeks.workday": { readonly name: Value; readonly day: Value };
}

/** The sentences, compiled. */
export const SENTENCES: { readonly [C in keyof Values]: Sentence } = {
  "act.aim-flow.reason": () => `Dirt does not settle in moving water.`,
  "act.aim-flow.title": () => `Aim a wave-maker at the spot`,
  "act.air-now.reason": () => `Animals that fight for breath need oxygen before anything else.`,
  "act.air-now.title": () => `Air in at once: stone or jet at the surface`,
  "act.because": (t) => `Because of: ${t("troubles")}.`,
  "act.brush-tufts.reason": () => `Loose pieces settle elsewhere.`,
  "act.brush-tufts.title": () => `Brush the tufts off and siphon them out`,
  "act.calm-skimmer.reason": () => `A cup that runs over drains the tank onto the floor.`,
  "act.calm-skimmer.title": () => `Lower the skimmer or switch it off until it is calm`,
  "act.carbon-in.reason": () => `It takes out colour and most remedies.`,
  "act.carbon-in.title": () => `Put in rinsed carbon`,
  "act.clear-prefilter.reason": () => `The first place where flow is lost.`,
  "act.clear-prefilter.title": () => `Change the pre-filter`,
  "act.clear-pump.caution": () => `Off at the wall before a hand goes in.`,
  "act.clear-pump.reason": () => `A third of the flow is gone before anybody hears it.`,
  "act.clear-pump.title": () => `Brush impeller and intake`,
  "act.clear-wave-maker.caution": () => `Off at the wall before a hand goes in.`,
  "act.clear-wave-maker.reason": () => `Dirt settles and rots without flow.`,
  "act.clear-wave-maker.title": () => `Take the wave-maker out, free and brush it`,
  "act.clear-weir.reason": () => `The surface is pulled clean again.`,
  "act.clear-weir.title": () => `Clear the weir, its comb and the drain`,
  "act.condition-tank.caution": () => `Never more than the label's most. Air on: conditioner takes oxygen.`,
  "act.condition-tank.reason": () => `Chlorine is gone within a minute, and ammonia is bound where the product does that.`,
  "act.condition-tank.title": (t) => `Condition the whole tank: ${t("dose")}`,
  "act.dissolve-longer.reason": () => `Undissolved salt falls out in the tank.`,
  "act.dissolve-longer.title": () => `Mix longer: salt into water, until it is clear`,
  "act.dose": (t) => `${t("ml")} mL of ${t("product")} for the ${t("litres")} in the tank now`,
  "act.dose.peroxide": (t) => `${t("ml")} mL for the ${t("litres")} in the tank now`,
  "act.label-dose": (t) => `what the label says for ${t("litres")}`,
  "act.let-be.reason": () => `They open by themselves until the next morning.`,
  "act.let-be.title": () => `Leave the corals alone`,
  "act.look-at-skin.reason": () => `A vet will ask for it.`,
  "act.look-at-skin.title": () => `Look the fish over with a torch: skin, fins, gills`,
  "act.measure-alkalinity.reason": () => `The first figure to move when a mix was wrong.`,
  "act.measure-alkalinity.title": () => `Measure the alkalinity`,
  "act.measure-ammonia.reason": () => `It kills without being seen.`,
  "act.measure-ammonia.title": () => `Measure ammonia`,
  "act.measure-chlorine.reason": () => `Minutes count where it is there.`,
  "act.measure-chlorine.title": () => `Measure chlorine`,
  "act.measure-flow.reason": () => `A figure to hold against the next one.`,
  "act.measure-flow.title": () => `Measure the return flow`,
  "act.measure-nitrate.reason": () => `None at all is a different trouble than too much.`,
  "act.measure-nitrate.title": () => `Measure nitrate`,
  "act.measure-ph.reason": () => `It says how much of the ammonia is poison.`,
  "act.measure-ph.title": () => `Measure the pH`,
  "act.measure-phosphate.reason": () => `It feeds what grows.`,
  "act.measure-phosphate.title": () => `Measure phosphate`,
  "act.measure-salinity.reason": () => `It moved, or it did not: everything follows from that.`,
  "act.measure-salinity.title": () => `Measure the salinity`,
  "act.measure-temperature.reason": () => `Too warm or too cold explains much else.`,
  "act.measure-temperature.title": () => `Measure the temperature`,
  "act.photo-of-it.reason": () => `The next look is held against this one.`,
  "act.photo-of-it.title": () => `Take a picture of it`,
  "act.plug-out.caution": () => `Dry hands, dry floor. If the plug stands in water, off at the fuse.`,
  "act.plug-out.reason": () => `Water and mains meet where it leaks.`,
  "act.plug-out.title": () => `Switch off at the wall, with dry hands`,
  "act.power-back.caution": () => `Heater last, and only if it stands in water. A fuse that goes again is for a licensed electrician.`,
  "act.power-back.reason": () => `One faulty device trips them all; the last one on is the one.`,
  "act.power-back.title": () => `Look at fuse and protection, switch on one by one`,
  "act.search-animals.reason": () => `Jumpers and hiders are found in the same few places.`,
  "act.search-animals.title": () => `Search: behind, in the weir, in the filter, on the floor`,
  "act.shade-and-fan.caution": (t) => `Keep fan and sockets away from splashes. At most ${t("most")} in a day.`,
  "act.shade-and-fan.reason": () => `Evaporation cools slowly, which is right.`,
  "act.shade-and-fan.title": () => `Lights off, lid open, a fan across the surface`,
  "act.shorter-light.reason": () => `It lives on light first of all.`,
  "act.shorter-light.title": () => `Set the lights two hours shorter`,
  "act.siphon-sheets.reason": () => `A narrow hose pulls harder and takes less water.`,
  "act.siphon-sheets.title": () => `Siphon the sheets, narrow hose`,
  "act.siphon-silt.reason": () => `It would rot where it lies.`,
  "act.siphon-silt.title": () => `Siphon the silt`,
  "act.siphon-strings.reason": () => `The water goes back: new water would feed them.`,
  "act.siphon-strings.title": () => `Siphon the strings through a sock`,
  "act.slow-fill.reason": () => `Gas leaves in the barrel instead of in the tank.`,
  "act.slow-fill.title": () => `Fill slower, let cold water stand first`,
  "act.spot-peroxide.caution": () => `Eyes and skin: glasses and gloves. Never with vinegar, bleach or conditioner; carbon and UV off. Not near animals or mosses.`,
  "act.spot-peroxide.reason": () => `Counted for the litres in the tank at that moment: in less water it is stronger.`,
  "act.spot-peroxide.title": (t) => `Treat the spots with 3 % peroxide: at most ${t("dose")}`,
  "act.stop-top-up.reason": () => `A sensor that hangs pours the whole reservoir in.`,
  "act.stop-top-up.title": () => `Switch the top-up off, free and try its sensor`,
  "act.stop-water.caution": () => `No hands in the water before the power is off.`,
  "act.stop-water.reason": () => `Stop the water before you wipe it up.`,
  "act.stop-water.title": () => `Find where it runs, bring the water below it`,
  "act.take-air-away.reason": () => `The pump blows out as fog the air that it draws in.`,
  "act.take-air-away.title": () => `Take the air from the pump: level, bubbler, hose`,
  "act.take-out-dead.caution": () => `Gloves; cover cuts, wash hands after.`,
  "act.take-out-dead.reason": () => `A dead animal takes oxygen and gives off ammonia.`,
  "act.take-out-dead.title": () => `Take out dead animals, look at the others`,
  "act.test-again.reason": () => `Measure a surprising figure twice before you act on it.`,
  "act.test-again.title": () => `Test again, with a second kit`,
  "act.trim-dark.reason": () => `It lives on old leaves.`,
  "act.trim-dark.title": () => `Trim the leaves that carry it`,
  "act.warm-slowly.caution": (t) => `At most ${t("most")} an hour. Heater off before it leaves the water; hot glass melts plastic.`,
  "act.warm-slowly.reason": () => `Warm water comes back to a tank slowly.`,
  "act.warm-slowly.title": () => `Try the heater; if it is dead, the spare one`,
  "act.wipe-film.reason": () => `It leaves with the water.`,
  "act.wipe-film.title": () => `Wipe the film off, siphon what falls`,
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
  "attention.crosses": (t) => `${t("parameter")} reaches ${t("limit")}, ${t("edge") === "act" ? `its limit` : `the end of its ideal range`}, about ${t("on")}: between ${t("from")} and ${t("to")}.`,
  "attention.crosses-open": (t) => `${t("parameter")} reaches ${t("limit")}, ${t("edge") === "act" ? `its limit` : `the end of its ideal range`}, about ${t("on")}, not before ${t("from")}.`,
  "attention.disagree": (t) => `${t("parameter")} was read twice on ${t("on")}, as ${t("low")} and as ${t("high")}: one of them is wrong.`,
  "attention.do.beyond-act": () => `Open its plan: it says how to put this right.`,
  "attention.do.come": (t) => `Nobody is there before ${t("next")}: come earlier, or have the owner test it.`,
  "attention.do.free-ammonia": () => `Go now, or ring the owner: the plan says what to do.`,
  "attention.do.no-reading": () => `Test it at the next visit.`,
  "attention.do.not-looked-again": () => `Look at it at the next visit, and say what became of it.`,
  "attention.do.open-finding": () => `It is open until somebody says that it is fixed.`,
  "attention.do.outside-ideal": () => `The next plan changes more, where a change brings it back.`,
  "attention.do.plan": () => `No visit is planned: plan one.`,
  "attention.do.ratio": () => `Dose nothing by it until both were tested anew.`,
  "attention.do.slipped-twice": () => `Do it at the next visit, or take it out of the programme.`,
  "attention.do.test-again": () => `Test it again before anything is done about it.`,
  "attention.do.third": () => `Test it a third time; check the kit's date, or the probe in a reference.`,
  "attention.do.watch": (t) => `Test it on ${t("next")}; a larger change then brings it back.`,
  "attention.outlier": (t) => `${t("parameter")} of ${t("value")} on ${t("on")} does not fit the readings before.`,
  "auto-exchange.craft": () => `Look at the low-level alarm of the new water, and measure the salinity by hand every week.`,
  "auto-exchange.reason": (t) => `At ${t("perDay")} a day the new water lasts ${t("newDays")} days and the waste vessel ${t("wasteDays")}, until ${t("until")}.`,
  "auto-exchange.set": (t) => `Set the machine to ${t("perDay")} a day.`,
  "auto-exchange.short": () => `They do not last until the next visit: larger vessels, or somebody sees to them in between.`,
  "auto-exchange.title": (t) => `Empty the waste vessel, fill in ${t("litres")} of new water`,
  "bed.leaves": (t) => `The first ${t("litres")} of the drain leave here.`,
  "bed.runs-clear": () => `Until it runs clear. Pinch the hose, and the sand drops back.`,
  "bed.sock": () => `Through a filter sock, so that the water goes back into the tank.`,
  "blow-rock.craft": () => `Stir only the top of open sand: gas goes out a little at a time, and a deep bed is left alone. Look through what floats up for animals.`,
  "broken.biological-rest": (t) => `${t("job")} on ${t("day")} and ${t("other")} on ${t("otherDay")} lie less than four weeks apart.`,
  "broken.not-together": (t) => `${t("job")} and ${t("other")} do not belong on one visit, ${t("day")}.`,
  "bubbles.caution": () => `Off again before the water falls to it.`,
  "bubbles.reason": () => `Fine bubbles lift dirt that a baster does not reach, so that it leaves with the water.`,
  "bubbles.title": () => `Air stone on under the rock for a few minutes`,
  "calibrate.craft": () => `By its own instructions, with fresh fluid at the tank's temperature. It is done once for all tanks, so no visit counts its minutes. Tick it only when it was done.`,
  "calibrate.done": (t) => `calibrated the ${t("kit")}`,
  "calibrate.reason": () => `Its figures decide here, and until then they count with twice their range.`,
  "calibrate.title": (t) => `Calibrate the ${t("kit")}`,
  "check.again": (t) => `A second change of ${t("litres")} today brings it down further.`,
  "check.again-on": (t) => `It is above its target still: change again on ${t("day")}.`,
  "check.fits": (t) => `${t("read")} after the change, as expected.`,
  "check.odd": (t) => `${t("read")} after the change, and ${t("expected")} was expected: measure once more, and look at the litres that were counted.`,
  "check.rest": (t) => `The rest on ${t("day")}.`,
  "chlorine.freed": (t) => `Its chloramine frees ${t("ammonia")} of ammonia, which this conditioner does not bind.`,
  "chlorine.too-much": (t) => `This tap holds ${t("has")} of chlorine, the largest dose of the label removes ${t("removes")}: use another water, or run it through carbon first.`,
  "chlorine.untreated": (t) => `This tap holds ${t("has")} of chlorine and has no conditioner: nothing of it goes in as it is.`,
  "condition.beyond-act": (t) => `${t("parameter")} ${t("value")}, ${t("side") === "high" ? `above` : `below`} its limit of ${t("limit")}`,
  "condition.beyond-act.retest": (t) => `${t("parameter")} ${t("value")}, ${t("side") === "high" ? `above` : `below`} its limit of ${t("limit")}; re-test`,
  "condition.free-ammonia": (t) => `free ammonia up to ${t("value")}, limit ${t("limit")}`,
  "condition.no-reading": (t) => `no ${t("parameter")} reading yet`,
  "condition.not-looked-again": (t) => `${t("trouble")}: nobody has looked again by ${t("day")}`,
  "condition.old-reading": (t, _n, p) => `last ${t("parameter")} reading is ${p("days") === "one" ? `1 day` : `${t("days")} days`} old`,
  "condition.outside-ideal": (t) => `${t("parameter")} ${t("value")}, ideal ${t("side") === "high" ? `to` : `from`} ${t("limit")}`,
  "condition.slipped-twice": (t) => `${t("job")} has slipped twice`,
  "condition.will-cross": (t, _n, p) => `${t("parameter")} reaches ${t("limit")} in ${p("days") === "one" ? `1 day` : `${t("days")} days`}`,
  "dose-read.after": (t) => `A dose was given on ${t("day")}: see whether it did what it should.`,
  "dose-read.reason": () => `A dose follows a figure of today.`,
  "dose-read.title": (t) => `Measure ${t("parameter")} before anything is dosed`,
  "dose.amount": (t) => `${t("amount")} ${t("unit")}`,
  "dose.apart": () => `Wait half an hour before the next dose: together they fall out as lime.`,
  "dose.caustic": () => `Carbonate burns eyes and skin: gloves and eye cover.`,
  "dose.dissolve": () => `Weigh it, stir it into a jug of purified water until it is clear, and pour slowly into the flow, away from animals.`,
  "dose.done": (t) => `dosed ${t("product")}`,
  "dose.hot": () => `It gets hot as it dissolves: always powder into cold water, never water onto powder. Gloves and eye cover.`,
  "dose.measure": () => `The figure is not of today: measure first, the dose follows what it reads.`,
  "dose.ph-down": () => `Bicarbonate lowers pH for some hours.`,
  "dose.ph-up": () => `Carbonate raises pH at once.`,
  "dose.pour": () => `Measure it with a syringe and pour slowly into the flow, away from animals.`,
  "dose.reason": (t) => `${t("parameter")} stands at ${t("from")}. This brings it to ${t("to")}; the middle of its band is ${t("target")}.`,
  "dose.rest.owner": (t, _n, p) => `Then the owner gives ${t("amount")} a day for ${p("days") === "one" ? `1 more day` : `${t("days")} more days`}.`,
  "dose.rest.visits": (t, _n, p) => `Then ${p("days") === "one" ? `1 more dose` : `${t("days")} more doses`} of ${t("amount")}, on other days: the next visit plans it anew from what it reads.`,
  "dose.spreads": () => `spreads`,
  "dose.title": (t) => `Dose ${t("amount")} of ${t("product")}`,
  "drain.alone": () => `drains`,
  "drain.bucket": () => `Keep one bucket of the old water for the hardware.`,
  "drain.chamber": () => `Drain the return chamber to its line`,
  "drain.craft": () => `Lay the refill hose ready first. Look through every bucket for animals.`,
  "drain.falls": (t) => `It falls ${t("drop")} to the drain: it runs fast.`,
  "drain.heater-lowered": () => `The heater hangs below the line: check before you drain.`,
  "drain.heater-off": () => `Heater is off. Leave it off until the water is back above it.`,
  "drain.lower": (t) => `Today's line is ${t("lower")} below the tape, since the water stood low.`,
  "drain.only-chamber": () => `The return keeps running, so the display stays as it is and only this chamber falls.`,
  "drain.pressed": () => `At the line`,
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
  "feed-before.alone": () => `they eat`,
  "feed-before.always": (t) => `This tank is always fed first: ${t("why")}.`,
  "feed-before.reason": () => `Fifteen minutes early, so that leftovers leave with the old water and animals eat before the stress.`,
  "feed-before.title": () => `Feed a little`,
  "feed.corals": () => `A little in front of each animal, from a pipette; what falls past is too much.`,
  "feed.portion": (t, _n, p) => `For ${p("mouths") === "one" ? `${t("mouths")} animal` : `${t("mouths")} animals`}: as much as is gone in two minutes, in two or three pinches.`,
  "feed.portion.unknown": () => `As much as is gone in two minutes, in two or three pinches.`,
  "fertiliser.for": (t) => `Dose fertiliser: what the label says for ${t("litres")}`,
  "fertiliser.half": (t) => `Dose fertiliser: half of what the label says for ${t("litres")}`,
  "finding.again": (t) => `It was seen before, and is looked at again by ${t("day")}. Say what became of it.`,
  "finding.agreed": (t) => `${t("what")}, as agreed with the owner`,
  "finding.agreed.why": () => `It was proposed, and the owner agreed.`,
  "finding.due": () => `It was put off to today.`,
  "finding.open": () => `Still open from an earlier visit.`,
  "finding.title": (t) => `Look again: ${t("what")}`,
  "finding.told": (t) => `The owner told this on ${t("day")}.`,
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
  "heater-off.alone": () => `cools`,
  "heater-off.caution": () => `Hands only in a tank behind a tested residual-current device. Without one, everything is off at the wall.`,
  "heater-off.pressed": () => `It is off`,
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
  "kit.calibration-due": (t) => `It was last calibrated on ${t("day")}.`,
  "kit.craft": () => `Hang hoses and pump up dry.`,
  "kit.expired": (t) => `It expired on ${t("day")}.`,
  "kit.few": (t, n, p) => `${n("count") === 0 ? `No test is` : p("count") === "one" ? `1 test is` : `${t("count")} tests are`} left in it.`,
  "kit.never-calibrated": () => `Nobody has written down when it was calibrated.`,
  "kit.offset": (t) => `It reads ${t("by")} too ${t("way") === "high" ? `high` : `low`}, give or take ${t("within")}: that is taken off.`,
  "kit.open-too-long": (t) => `It was opened too long ago: good until ${t("day")}.`,
  "kit.reason": () => `A hose carries disease from one tank to the next.`,
  "kit.title": () => `Count the kit, rinse and disinfect it`,
  "kit.widened": () => `Until it is replaced or calibrated its figures count with twice their range.`,
  "letter.after.anemone": () => `The anemone may shrink and close until tomorrow.`,
  "letter.after.brackish": () => `The fish may not hunt today; tomorrow they will.`,
  "letter.after.community": () => `Colours may be pale until this evening; fish do that after fresh water.`,
  "letter.after.cool-fresh": () => `They may sit at the bottom for the rest of the day; appetite is back tomorrow.`,
  "letter.after.jellyfish": () => `The bells may bunch up for an hour; they spread out again by themselves.`,
  "letter.after.large-polyp": () => `Its large polyps stay shut tonight and open again with tomorrow's light.`,
  "letter.after.marine-fish": () => `The larger fish may keep to the back until the lights come on tomorrow.`,
  "letter.after.planted": () => `The plants may give off small bubbles for a few hours, which is a good sign.`,
  "letter.after.planted-low": () => `The plants may look combed flat this evening; they stand up again overnight.`,
  "letter.after.rift-lake": () => `The fish sort out their order again after a large change, with some chasing until tonight.`,
  "letter.after.seahorse": () => `The seahorses may hold on to the weed and eat little until tomorrow morning.`,
  "letter.after.shrimp": () => `Empty shells tomorrow are no cause for worry: shrimp moult after fresh water.`,
  "letter.after.soft-coral": () => `The soft corals may hang limp this evening; by tomorrow they stand again.`,
  "letter.after.stony-coral": () => `Some corals may stay closed tonight, and fish may hide: that is normal until tomorrow.`,
  "letter.after.temperate-marine": () => `The anemones stay shut for some hours after a change of water.`,
  "letter.again": (t) => `Next time I measure its ${t("parameters")}.`,
  "letter.again.b": (t) => `On the next visit I look at its ${t("parameters")} first.`,
  "letter.also": (t) => `I also ${t("jobs")}.`,
  "letter.also.b": (t) => `As well as that I ${t("jobs")}.`,
  "letter.also.c": (t) => `Then I ${t("jobs")}.`,
  "letter.ammonia": (t) => `There may be up to ${t("value")} of free ammonia in it, which harms from ${t("limit")} on.`,
  "letter.ammonia.b": (t) => `Free ammonia may be as high as ${t("value")}; from ${t("limit")} on it does harm.`,
  "letter.carried": (t) => `${t("what")}: I will see to it.`,
  "letter.carried.on": (t) => `${t("what")}: I will see to it on ${t("day")}.`,
  "letter.changed": (t) => `I changed ${t("litres")}, ${t("share")} % of its water.`,
  "letter.changed.b": (t) => `${t("share")} % of its water is new: ${t("litres")}.`,
  "letter.changed.c": (t) => `${t("litres")} of its water were replaced, which is ${t("share")} %.`,
  "letter.changed.so": (t) => `I changed ${t("litres")}, ${t("share")} % of its water, so ${t("parameter")} should be near ${t("value")} by tomorrow.`,
  "letter.changed.so.b": (t) => `${t("share")} % of its water is new, ${t("litres")}; that should bring ${t("parameter")} to about ${t("value")} by tomorrow.`,
  "letter.close": (t) => `See you on ${t("day")}, about ${t("about")}. You can call us at ${t("phone")} at any time.`,
  "letter.close.day": (t) => `See you on ${t("day")}. You can call us at ${t("phone")} at any time.`,
  "letter.close.open": (t) => `The next visit has no day yet; we will tell you. You can call us at ${t("phone")} at any time.`,
  "letter.corrected": (t) => `corrected (${t("count")})`,
  "letter.counted": (t) => `I counted ${t("animals")}.`,
  "letter.counted.b": (t) => `By my count there are ${t("animals")}.`,
  "letter.course": (t) => `The course from here: ${t("days")}.`,
  "letter.course.day": (t) => `${t("day")}, ${t("what")}`,
  "letter.dear": (t) => `Dear ${t("name")},`,
  "letter.did": (t) => `I ${t("jobs")}.`,
  "letter.did.b": (t) => `Beside that I ${t("jobs")}.`,
  "letter.did.c": (t) => `Today I ${t("jobs")}.`,
  "letter.died": (t, _n, p) => `Of the ${t("name")} ${p("count") === "one" ? `one was` : `${t("count")} were`} found dead and taken out.`,
  "letter.dosed": (t) => `I dosed ${t("amount")} of ${t("product")}, which raises ${t("parameter")} by about ${t("rise")}.`,
  "letter.dosed.b": (t) => `${t("amount")} of ${t("product")} went in; that raises ${t("parameter")} by about ${t("rise")}.`,
  "letter.far": (t) => `Its ${t("parameter")} is too ${t("side") === "high" ? `high` : `low`}: ${t("value")}, where ${t("low")} to ${t("high")} is right.`,
  "letter.far.b": (t) => `${t("begins")} is at ${t("value")}, well ${t("side") === "high" ? `above` : `below`} the ${t("low")} to ${t("high")} it should have.`,
  "letter.fixed": (t) => `${t("what")}: put right on the spot.`,
  "letter.follow-up": (t) => `The follow-up to ${t("name")} is on ${t("day")}.`,
  "letter.for-owner": (t) => `${t("what")}: this one is for you to see to.`,
  "letter.gasps": (t) => `If an animal gasps at the surface, please call ${t("phone")} at once.`,
  "letter.gasps.b": (t) => `Should an animal gasp at the surface, call ${t("phone")} straight away.`,
  "letter.gear-off": (t) => `The ${t("gear")} was left off: ${t("why")}.`,
  "letter.gear-off.b": (t) => `I left the ${t("gear")} off: ${t("why")}.`,
  "letter.group": (t) => `${t("count")} ${t("name")}`,
  "letter.group.of": (t) => `${t("count")} of ${t("of")} ${t("name")}`,
  "letter.heading.drifting": (t) => `${t("tank")} is doing all right, and needs watching.`,
  "letter.heading.mending": (t) => `${t("tank")} needs attention, and is getting it.`,
  "letter.heading.off": (t) => `${t("tank")} needs attention.`,
  "letter.heading.steady": (t) => `${t("tank")} is doing well.`,
  "letter.heading.unknown": (t) => `We do not know enough yet about ${t("tank")}.`,
  "letter.hello": () => `Hello,`,
  "letter.last": (t) => `Last I ${t("jobs")}.`,
  "letter.last.b": (t) => `At the end I ${t("jobs")}.`,
  "letter.last.c": (t) => `To finish I ${t("jobs")}.`,
  "letter.left": (t, _n, p) => `${p("count") === "one" ? `One job waits` : `${t("count")} jobs wait`} for the next visit (${t("why")}): ${t("jobs")}.`,
  "letter.left.b": (t) => `Left for another time (${t("why")}): ${t("jobs")}.`,
  "letter.left.more": (t) => `${t("count")} more`,
  "letter.list": (t) => `${t("when")}: ${t("jobs")}.`,
  "letter.looked": () => `I looked over the animals.`,
  "letter.looked.b": () => `I had a good look at the animals.`,
  "letter.looked.c": () => `The animals were looked over.`,
  "letter.means.alkalinity": () => `Alkalinity keeps the water from turning acid.`,
  "letter.means.ammonia": () => `Ammonia is fresh waste, and poisonous.`,
  "letter.means.calcium": () => `Calcium is what skeletons are built from.`,
  "letter.means.gh": () => `Hardness is the minerals in the water.`,
  "letter.means.magnesium": () => `Magnesium keeps the calcium in the water.`,
  "letter.means.nitrate": () => `Nitrate is what remains of food.`,
  "letter.means.nitrite": () => `Nitrite is half-digested waste, and poisonous.`,
  "letter.means.ph": () => `The pH says how acid the water is.`,
  "letter.means.phosphate": () => `Phosphate is what algae feed on.`,
  "letter.means.salinity": () => `Salinity is how much salt the water holds.`,
  "letter.means.temperature": () => `Temperature decides how much air the water holds.`,
  "letter.missing": () => `I did not see all of them, and look again next time.`,
  "letter.missing.b": () => `Not all of them showed themselves; I will count again.`,
  "letter.named": (t) => `the ${t("name")}`,
  "letter.near": () => `Everything that was measured is where it should be, or so near that one test cannot tell.`,
  "letter.near.b": () => `What is a little out of place is so by less than one test can tell.`,
  "letter.no-reading": (t, _n, p) => `Its ${t("parameters")} ${p("count") === "one" ? `has` : `have`} never been measured.`,
  "letter.no-reading.b": (t) => `There is no reading of its ${t("parameters")} yet.`,
  "letter.not-looked-again": (t) => `I still have to look again at what I saw: ${t("trouble")}.`,
  "letter.note": (t) => `${t("where") === "fine" ? `fine for this tank` : t("where") === "little" ? `a little ${t("side") === "high" ? `high` : `low`}` : `too ${t("side") === "high" ? `high` : `low`}`}`,
  "letter.note.after": (t) => `${t("value")} after the change`,
  "letter.note.was": (t) => `was ${t("value")} on ${t("day")}`,
  "letter.nothing-measured": () => `Nothing was measured this time.`,
  "letter.nothing-measured.b": () => `I measured nothing on this visit.`,
  "letter.old-reading": (t, _n, p) => `Its ${t("parameter")} was last measured ${p("days") === "one" ? `a day` : `${t("days")} days`} ago.`,
  "letter.old-reading.b": (t, _n, p) => `The last reading of its ${t("parameter")} is ${p("days") === "one" ? `a day` : `${t("days")} days`} old.`,
  "letter.outside": (t) => `Its ${t("parameter")} is a little ${t("side") === "high" ? `high` : `low`}: ${t("value")}, where ${t("low")} to ${t("high")} is right.`,
  "letter.outside.b": (t) => `${t("begins")} is at ${t("value")}, a little ${t("side") === "high" ? `above` : `below`} the ${t("low")} to ${t("high")} it should have.`,
  "letter.own-jobs": (t) => `Also done: ${t("jobs")}.`,
  "letter.own-jobs.b": (t) => `Done as well: ${t("jobs")}.`,
  "letter.part.list": () => `Your own list`,
  "letter.part.measured": () => `Measured`,
  "letter.part.until": () => `Until the next visit`,
  "letter.put-off": (t, _n, p) => `${p("count") === "one" ? `One job was` : `${t("count")} jobs were`} put off: next time I will ${t("jobs")}.`,
  "letter.put-off.b": (t) => `On the next visit I will ${t("jobs")}, which was put off before.`,
  "letter.put-off.own": (t) => `Still to come, put off before: ${t("jobs")}.`,
  "letter.retest": () => `That does not fit what came before, so it will be measured once more.`,
  "letter.right": () => `Everything that was measured is where it should be.`,
  "letter.right.b": () => `All its readings are as they should be.`,
  "letter.right.c": () => `Its water is as it should be.`,
  "letter.slipped": (t) => `One job has been put off twice: ${t("job")}.`,
  "letter.slipped.b": (t) => `One job is still waiting after two visits: ${t("job")}.`,
  "letter.soon": (t) => `In the next weeks I will also ${t("jobs")}.`,
  "letter.soon.b": (t) => `Within the month I mean to ${t("jobs")}.`,
  "letter.soon.own": (t) => `Coming up in the next weeks: ${t("jobs")}.`,
  "letter.tank": (t) => `the ${t("name")} tank`,
  "letter.trouble": (t) => `I found this: ${t("trouble")}. ${t("why")}`,
  "letter.trouble.again": (t) => `I look at it again about ${t("day")}.`,
  "letter.trouble.b": (t) => `What I noticed: ${t("trouble")}. ${t("why")}`,
  "letter.unchanged": () => `No water was changed today.`,
  "letter.unchanged.automatic": () => `Its machine changes the water by itself.`,
  "letter.unchanged.automatic.b": () => `The machine takes care of its water.`,
  "letter.unchanged.b": () => `I left its water as it is.`,
  "letter.unchanged.right": () => `No water was changed, because nothing called for it.`,
  "letter.unchanged.right.b": () => `Its water is good, and stayed in.`,
  "letter.unchanged.treatment": (t) => `No water was changed: ${t("name")} is at work in it until ${t("until")}.`,
  "letter.unchanged.treatment.b": (t) => `${t("name")} works in its water until ${t("until")}, so none was changed.`,
  "letter.will-cross": (t, _n, p) => `At the pace of late its ${t("parameter")} reaches ${t("limit")} in ${p("days") === "one" ? `a day` : `about ${t("days")} days`}.`,
  "letter.will-cross.b": (t, _n, p) => `Its ${t("parameter")} is on the move: ${p("days") === "one" ? `in a day` : `in about ${t("days")} days`} it reaches ${t("limit")}.`,
  "letter.wish.dose": (t, _n, p) => `Please give ${t("amount")} of ${t("product")} on ${p("days") === "one" ? `the next day` : `each of the next ${t("days")} days`}, dissolved in a cup of water and poured slowly where the water moves.`,
  "letter.wish.dose.b": (t, _n, p) => `For ${p("days") === "one" ? `the next day` : `the next ${t("days")} days`} please give ${t("amount")} of ${t("product")} a day: dissolved in a cup of water, poured slowly where the water moves.`,
  "letter.wish.feed": () => `Please feed it tomorrow as usual; it was not fed today.`,
  "letter.wish.feed-less": () => `Please feed once a day, no more than is gone in a minute: leftovers become nitrate.`,
  "letter.wish.feed-less.b": () => `A little less food would help: no more than is gone in a minute, once a day.`,
  "letter.wish.feed.b": () => `It was not fed today: tomorrow it is your turn again.`,
  "letter.wish.salty": () => `Its salinity is climbing: when water is missing, please add only fresh water.`,
  "letter.wish.salty.b": () => `Please top it up with fresh water only; its salinity is climbing.`,
  "letter.wish.top-up": (t) => `Please top it up by about ${t("litres")} a day, with ${t("water") === "salt" ? `fresh water and never salt water` : `water from the prepared can`}.`,
  "letter.wish.top-up.b": (t) => `About ${t("litres")} a day is missing by evaporation; please replace it with ${t("water") === "salt" ? `fresh water, never salt water` : `the prepared water`}.`,
  "letter.wish.treatment": (t) => `While ${t("name")} works, please add nothing and take nothing out, until ${t("until")}.`,
  "letter.wish.treatment.b": (t) => `Please leave the water as it is until ${t("until")}, while ${t("name")} works.`,
  "level-trim.reason": () => `The outflow panel stands partly bare at its line.`,
  "level-trim.title": () => `Trim the level with a baster`,
  "level.chamber": () => `Read how far the return chamber stands below its fill line`,
  "level.only-sump": () => `Only the return chamber of the sump shows what evaporated.`,
  "level.reason": () => `Salinity belongs to a level; what is missing is replaced with top-up water.`,
  "level.title": () => `Read how far the water stands below its fill line`,
  "limit.alkalinity-a-day": (t) => `Alkalinity may move ${t("value")} a day: at most ${t("most")}.`,
  "limit.animals": (t) => `These animals bear at most ${t("share")} % at one time: ${t("most")}.`,
  "limit.calcium-a-day": (t) => `Calcium may move ${t("value")} mg/L a day: at most ${t("most")}.`,
  "limit.drain-rule": (t) => `No salt water may go down this drain; you can carry away ${t("most")}.`,
  "limit.floor": (t) => `The water may not fall nearer to the bed: at most ${t("most")}.`,
  "limit.free-ammonia": (t) => `Free ammonia would pass ${t("value")} with this water: none of it before the ammonia is bound.`,
  "limit.gh-a-day": (t) => `GH may move ${t("value")} dGH a day: at most ${t("most")}.`,
  "limit.hose": (t) => `The drain hose runs dry there: at most ${t("most")}; carry the rest.`,
  "limit.landmark": (t) => `The ${t("name")} must stay under water: at most ${t("most")}.`,
  "limit.landmark.minutes": (t) => `The ${t("name")} may stand in air for ${t("minutes")} min, longer while it is kept wet: at most ${t("most")}.`,
  "limit.magnesium-a-day": (t) => `Magnesium may move ${t("value")} mg/L a day: at most ${t("most")}.`,
  "limit.on-board": (t) => `The van has ${t("most")} for this tank.`,
  "limit.salinity-a-day": (t) => `Salinity may move ${t("value")} a day: at most ${t("most")}.`,
  "limit.sump-level": (t) => `The return pump draws air beyond ${t("most")}.`,
  "limit.temperature-a-day": (t) => `The new water comes at ${t("value")}, and the tank's temperature may move only so far in a day: at most ${t("most")}.`,
  "limit.time-on-site": (t) => `The site's open hours leave ${t("minutes")} min for moving water: at most ${t("most")}.`,
  "look.animals": (t) => `Look first: ${t("count")} animals, ${t("first")} above all`,
  "look.pressed": () => `Looked`,
  "look.reason": () => `With pumps on: behaviour, wounds, sound, flow, level, leaks. Gasping at the surface means air at once.`,
  "look.title": () => `Look first, with pumps on`,
  "media.on-shelf": (t) => `Clean ones are on the shelf here, until ${t("day")}.`,
  "media.run-out": (t) => `The clean ones here run out on ${t("day")}, before the next visit: bring some, and have the used ones washed.`,
  "misfit.bed-above-level": (t) => `The bed would stand out of the water, which is ${t("most")} deep.`,
  "misfit.dead-too-big": (t) => `At most half of the water may stay apart here, ${t("most")}.`,
  "misfit.glass-height": (t) => `The glass is ${t("most")} high.`,
  "misfit.level-above-glass": (t) => `The water cannot stand above the glass, which is ${t("most")} high.`,
  "misfit.measured-too-big": (t) => `The glass holds ${t("most")} up to the running level. Check its dimensions.`,
  "misfit.needs-sump": () => `There is no sump. Choose another way, or describe the sump.`,
  "misfit.no-volume": () => `At this level the tank holds no water, and nothing can be planned.`,
  "misfit.rock-too-big": (t) => `Rock of that height weighs at most about ${t("most")} here.`,
  "misfit.sump-height": (t) => `The sump is ${t("most")} high.`,
  "misfit.sump-length": (t) => `The sump is ${t("most")} long.`,
  "misfit.sump-low-above-level": (t) => `The sump runs at ${t("most")}; the return must still stand in water there.`,
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
  "moved.because": (t, n, p) => `${t("job")} on ${t("day")}${n("late") === 0 ? `` : p("late") === "one" ? `, 1 day after its window` : `, ${t("late")} days after its window`}: ${t("because")}.`,
  "moved.biological-rest": (t) => `${t("job")} on ${t("day")} needs four weeks of rest around it`,
  "moved.full": (t) => `${t("day")} is full, by ${t("minutes")} min with it`,
  "moved.half-apart": (t) => `${t("day")} is too near another turn of it`,
  "moved.no-visit-in-window": (t) => `no visit falls inside its window; the nearest would be ${t("day")}`,
  "moved.not-together": (t) => `not together with ${t("job")} on ${t("day")}`,
  "moved.pinned": (t, n, p) => `${t("job")} on ${t("day")}${n("late") === 0 ? `` : p("late") === "one" ? `, 1 day after its window` : `, ${t("late")} days after its window`}, where somebody put it.`,
  "moved.treatment": (t) => `a medication is in the water until ${t("day")}`,
  "moved.where-put": () => `where somebody put it`,
  "not-dosed.ammonia": () => `A higher alkalinity is a higher pH, and more of the ammonia would be free. The ammonia goes first.`,
  "not-dosed.day-used": () => `The change alone moves it as far as a day may. The next visit looks again.`,
  "not-dosed.magnesium-first": (t) => `Magnesium is ${t("value")}: raise it first, else a dose of ${t("parameter")} falls out as lime.`,
  "not-dosed.magnesium-today": () => `Magnesium is dosed today. Calcium follows some hours later at the earliest: at the next visit.`,
  "not-dosed.no-product": () => `No product for it stands in the register. Add what you dose with under Desk, Products.`,
  "not-dosed.ph-high": (t) => `${t("value")} is high already, and every product at hand for it raises pH. Use one made of bicarbonate.`,
  "not-dosed.retest": () => `The reading does not fit: measure it once more first.`,
  "not-dosed.salt-first": (t) => `The salinity is ${t("value")}, and with less salt there is less of everything in it. Put the salinity right first.`,
  "not-dosed.title": (t) => `No dose today: ${t("parameter")}, ${t("from")}`,
  "not-dosed.too-much-alkalinity": (t) => `Alkalinity is ${t("value")}, more than this water holds: a dose would fall out as lime. Let changes bring it down first.`,
  "not-dosed.too-much-calcium": (t) => `Calcium is ${t("value")}, more than this water holds: a dose would fall out as lime. Let changes bring it down first.`,
  "not-dosed.treatment": () => `A medication is at work here. Nothing else goes into this water until its follow-up.`,
  "offer.a-tenth": (t) => `${t("value")}: a decimal too far right`,
  "offer.fahrenheit": (t) => `${t("value")}: read in °F`,
  "offer.meq": (t) => `${t("value")}: read in meq/L`,
  "offer.phosphorus": (t) => `${t("value")}: phosphorus instead of phosphate, or the other way round`,
  "offer.ten-times": (t) => `${t("value")}: a decimal too far left`,
  "offer.thousand": (t) => `${t("value")}: the comma stood for thousands`,
  "overflow": () => `The sump may overflow.`,
  "overflow.draw-down": () => `Draw it down first, and have its running level lowered.`,
  "page.note": (t) => `${t("how")}, right is ${t("low")} to ${t("high")}`,
  "page.note.to": (t) => `${t("how")}, right is up to ${t("high")}`,
  "page.unread": () => `Nothing has been measured yet.`,
  "ph-first.reason": () => `The pH decides how much of the ammonia is poison; without it the worst is taken.`,
  "ph-first.title": () => `Measure the pH before anything is drained`,
  "phase.above": () => `Clean above the line`,
  "phase.arrive": () => `Arrive`,
  "phase.below": () => `Clean below the line`,
  "phase.drain": () => `Drain`,
  "phase.leave": () => `Check and leave`,
  "phase.measure": () => `Look and measure`,
  "phase.on": () => `Switch on`,
  "phase.prepare": () => `Prepare`,
  "phase.refill": () => `Refill`,
  "power-down.pressed": () => `All off`,
  "power-down.reason": () => `In this order, from this tank's own list; nothing may run dry.`,
  "power-down.title": (t) => `Off: ${t("gear")}`,
  "power-up.bells": () => `Flow first, air last. Floating or sinking is judged with the flow on; write it down.`,
  "power-up.pressed": () => `All on`,
  "power-up.reason": () => `Weir and siphon noise first; the skimmer with its cup raised, top-up last, when the level is right.`,
  "power-up.title": (t) => `On: ${t("gear")}`,
  "refill.air": () => `Air on. Never the whole dose at once into what the drain left: it takes the oxygen.`,
  "refill.fog": () => `A fog of fine bubbles is gas leaving cold pressurised water: pour slower, let it stand.`,
  "refill.parts": (t) => `${t("first")} mL of conditioner before the first ${t("firstL")}, then ${t("next")} mL before each ${t("nextL")}.`,
  "refill.pressed": () => `Filled`,
  "refill.reason": () => `Slow, to keep sand and corals in place and the water free of fine bubbles.`,
  "refill.tap": (t) => `Conditioner in, then ${t("litres")} slowly${t("to") === "weir" ? `, back up to the weir` : t("to") === "line" ? ` to the fill line` : ``}`,
  "refill.title": (t) => `Pour ${t("litres")} slowly, spread over a dish${t("to") === "weir" ? `, back up to the weir` : t("to") === "line" ? ` to the fill line` : ``}`,
  "remineralise.check": () => `Check the hardness of the new water`,
  "remineralise.reason": () => `RO water has none of its own.`,
  "remineralise.tap": () => `This tap is softer than the tank; the minerals bring it up.`,
  "remineralise.title": (t) => `Stir ${t("grams")} g ${t("minerals")} into the new water, check its hardness`,
  "report.all.jobs": (t, n, p) => `${p("done") === "one" ? `One job` : `${t("done")} jobs`} done, ${n("left") === 0 ? `none` : p("left") === "one" ? `one` : `${t("left")}`} left out`,
  "report.all.litres": (t) => `${t("litres")} of water changed`,
  "report.all.lost": (t, n, p) => `${n("lost") === 0 ? `No animal` : p("lost") === "one" ? `One animal` : `${t("lost")} animals`} lost`,
  "report.all.salt": (t) => `${t("amount")} of salt weighed for ${t("litres")}`,
  "report.all.tests": (t, n, p) => `${p("tests") === "one" ? `One reading` : `${t("tests")} readings`} taken, ${n("share") === 100 ? `all` : `${t("share")} % of them`} where they should be`,
  "report.all.visits": (t, _n, p) => `${p("visits") === "one" ? `One visit` : `${t("visits")} visits`} to ${p("tanks") === "one" ? `one tank` : `${t("tanks")} tanks`}`,
  "report.answer.all": (_t, _n, p) => `${p("tanks") === "one" ? `Your tank is` : `Your tanks are`} not quite where ${p("tanks") === "one" ? `it` : `they`} should be.`,
  "report.answer.some": (t, _n, p) => `${p("count") === "one" ? `One of your ${t("tanks")} tanks is` : `${t("count")} of your ${t("tanks")} tanks are`} not quite where ${p("count") === "one" ? `it` : `they`} should be; the others were steady ${t("period")}.`,
  "report.answer.steady": (t, _n, p) => `${p("tanks") === "one" ? `Your tank was` : `All ${t("tanks")} of your tanks were`} steady ${t("period")}.`,
  "report.answer.unknown": (t, _n, p) => `Too little was measured ${t("period")} to say how ${p("tanks") === "one" ? `your tank` : `your tanks`} went.`,
  "report.born": (t, _n, p) => `${t("name")}: ${p("count") === "one" ? `one was` : `${t("count")} were`} born (${t("tank")}).`,
  "report.cause": (t) => `Cause: ${t("cause")}.`,
  "report.changed": (t, _n, p) => `We came ${p("visits") === "one" ? `once` : `${t("visits")} times`} and changed ${t("litres")} of its water${p("changes") === "one" ? `, ${t("share")} % of it` : ` in ${t("changes")} changes, about ${t("share")} % of it each`}.`,
  "report.close": (t) => `If anything in this report is not clear, call us on ${t("phone")}.`,
  "report.did": (t) => `We ${t("jobs")}.`,
  "report.did.own": (t) => `Also done: ${t("jobs")}.`,
  "report.during": (t) => `in ${t("period")}`,
  "report.during.quarter": (t) => `from ${t("period")}`,
  "report.head.changed": () => `Changed`,
  "report.head.client": () => `Client`,
  "report.head.lost": () => `Lost`,
  "report.head.right": () => `Right`,
  "report.head.tanks": () => `Tanks`,
  "report.head.visits": () => `Visits`,
  "report.job": (t, _n, p) => `${t("job")} ${p("times") === "one" ? `once` : `${t("times")} times`}`,
  "report.left": (t, _n, p) => `${t("job")} (${p("times") === "one" ? `once` : `${t("times")} times`}${t("said") === "yes" ? `: ${t("reason")}` : ``})`,
  "report.left.all": (t) => `Left out: ${t("jobs")}.`,
  "report.lost": (t, _n, p) => `${t("name")}: ${p("count") === "one" ? `one was` : `${t("count")} were`} lost on ${t("day")} (${t("tank")}). ${t("cause")}`,
  "report.more": (t) => `and ${t("count")} more`,
  "report.more-tanks": (t, _n, p) => `${p("count") === "one" ? `One more tank is` : `${t("count")} more tanks are`} not told of one by one`,
  "report.moved-out": (t, _n, p) => `${t("name")}: ${p("count") === "one" ? `one was` : `${t("count")} were`} taken out (${t("tank")}).`,
  "report.no-reading": () => `none`,
  "report.nothing-right": () => `of all readings`,
  "report.once": (t) => `${t("begins")} was measured once, at ${t("value")}: ${t("low")} to ${t("high")} is right.`,
  "report.once.to": (t) => `${t("begins")} was measured once, at ${t("value")}: up to ${t("high")} is right.`,
  "report.others": (t, _n, p) => `${p("count") === "one" ? `One other client` : `${t("count")} other clients`}`,
  "report.out": (t, _n, p) => `${t("begins")} went from ${t("first")} to ${t("value")}; ${t("low")} to ${t("high")} is right. It was out of place ${p("out") === "one" ? `once` : `${t("out")} times`} in ${t("count")} readings.`,
  "report.out.to": (t, _n, p) => `${t("begins")} went from ${t("first")} to ${t("value")}; up to ${t("high")} is right. It was out of place ${p("out") === "one" ? `once` : `${t("out")} times`} in ${t("count")} readings.`,
  "report.part.curves": () => `Readings that were where they should be, month by month`,
  "report.part.grown": () => `Born, grown and given away`,
  "report.part.lost": () => `Lost`,
  "report.part.replace": () => `To be replaced`,
  "report.quarter": (t) => `${t("first")} to ${t("last")}`,
  "report.recovered": (t, _n, p) => `${t("begins")} was out of place ${p("out") === "one" ? `once` : `${t("out")} times`} in ${t("count")} readings, last on ${t("day")} at ${t("worst")}, and has been right since: ${t("value")}.`,
  "report.remedy": (t) => `Done about it: ${t("remedy")}.`,
  "report.replace": (t) => `${t("name")} (${t("tank")}): to be replaced in ${t("month")}.`,
  "report.replace.past": (t) => `${t("name")} (${t("tank")}): was to be replaced in ${t("month")}.`,
  "report.right": (t) => `${t("low")} to ${t("high")} is right`,
  "report.right.to": (t) => `up to ${t("high")} is right`,
  "report.steady": (t, _n, p) => `${t("parameters")} stayed where ${p("count") === "one" ? `it` : `they`} should be.`,
  "report.tank.drifting": (t, _n, p) => `${t("tank")} needs watching: its ${t("parameters")} ${p("count") === "one" ? `is` : `are`} a little out of place.`,
  "report.tank.off": (t, _n, p) => `${t("tank")} is not where it should be: its ${t("parameters")} ${p("count") === "one" ? `is` : `are`} far out of place.`,
  "report.tank.recovered": (t) => `${t("tank")} had its ups and downs, and is right again.`,
  "report.tank.steady": (t) => `${t("tank")} was steady.`,
  "report.tank.unknown": (t) => `Nothing was measured in ${t("tank")}.`,
  "report.title": (t, _n, p) => `${p("tanks") === "one" ? `Your tank` : `Your tanks`} ${t("during")}`,
  "report.title.firm": (t) => `${t("firm")} in ${t("period")}`,
  "report.topped": (t) => `${t("litres")} were topped up.`,
  "report.visits": (t, _n, p) => `We came ${p("visits") === "one" ? `once` : `${t("visits")} times`} and changed no water.`,
  "report.why": (t) => `${t("first")} ${t("second")}`,
  "rest.advice": (t) => `Four weeks between ${t("units")} can only be kept if each comes every ${t("least")} or less often; one is set to every ${t("set")}. The plan keeps them, and they come later than set; enough else is left alone here for you to decide otherwise on site.`,
  "rest.strict": (t) => `Four weeks between ${t("units")} can only be kept if each comes every ${t("least")} or less often; one is set to every ${t("set")}. The plan keeps the rule, and they come later than set.`,
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
  "sea.bloom": () => `A notice warns of a plankton bloom.`,
  "sea.discharge": () => `A notice warns of a discharge.`,
  "sea.no-salinity": () => `Measure its salinity before it is used.`,
  "sea.no-temperature": () => `Measure its temperature before it is used.`,
  "sea.not-looked": () => `Nobody looked for notices of discharge or bloom.`,
  "sea.not-permitted": () => `There was no permission to take it.`,
  "sea.old": (t, _n, p) => `It is ${p("days") === "one" ? `1 day` : `${t("days")} days`} old, and keeps for ${p("most") === "one" ? `1 day` : `${t("most")} days`}.`,
  "sea.permission-over": (t) => `The permission ended on ${t("day")}.`,
  "sea.thin": (t) => `Its salinity is ${t("is")}, and it must be at least ${t("least")}: rain or a river thinned it.`,
  "sea.warm": (t) => `It was ${t("is")} warm, and may be ${t("most")} at most.`,
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
  "top-up-refill.lasts": (t, _n, p) => `${t("perDay")} evaporate in a day: this lasts the ${p("days") === "one" ? `${t("days")} day` : `${t("days")} days`} until the next visit.`,
  "top-up-refill.litres": (t) => `Fill the top-up reservoir: ${t("litres")}`,
  "top-up-refill.short": (t, _n, p) => `It holds ${t("litres")}: that lasts ${p("lasts") === "one" ? `${t("lasts")} day` : `${t("lasts")} days`}, and the next visit is in ${p("days") === "one" ? `${t("days")} day` : `${t("days")} days`}. Ask the owner to fill it once more.`,
  "top-up.caution": () => `Never salt water here: it would stay in the tank.`,
  "top-up.closes": () => `The new water is in by litres; evaporation took only water, so only water closes the level.`,
  "top-up.conditioner": () => `Conditioner into the jug first.`,
  "top-up.craft": () => `Slowly, where the water moves.`,
  "top-up.low": (t) => `Top up ${t("litres")}, no further`,
  "top-up.reason": () => `Evaporation took only water: salt and minerals are still there.`,
  "top-up.rest": (t) => `More at once would change the water too fast: ${t("litres")} follow on other days.`,
  "top-up.title": (t) => `Top up to the ${t("chamber") === "yes" ? `return chamber's ` : ``}fill line`,
  "top-up.warm": (t) => `Slowly, where the water moves, at ${t("celsius")}.`,
  "trace.for": (t) => `Dose trace elements after the change: what the label says for ${t("litres")}`,
  "treat.air": () => `Air on, day and night.`,
  "treat.air.title": (t) => `Air on for ${t("name")}, day and night`,
  "treat.air.why": () => `A remedy takes oxygen out of the water, and so does everything that dies of it.`,
  "treat.back": (t) => `Back on and in: ${t("things")}`,
  "treat.back.why": (t) => `The time of ${t("name")} is over.`,
  "treat.carbon": () => `carbon and resins`,
  "treat.change-first": () => `Change water before the first dose; none is changed until its time is over.`,
  "treat.copper": (t) => `${t("name")} holds copper, which kills every animal without a backbone.`,
  "treat.dose": (t) => `Dose ${t("number")} of ${t("of")}: ${t("amount")} ${t("unit")} of ${t("name")}`,
  "treat.dose.for": (t) => `Dose ${t("number")} of ${t("of")}: ${t("amount")} ${t("unit")} of ${t("name")} for ${t("litres")}`,
  "treat.dose.why": () => `For the litres in the tank when it began, by the label.`,
  "treat.follow-up": (t) => `Follow-up of ${t("name")}: look, test ammonia`,
  "treat.follow-up.change": (t) => `Follow-up of ${t("name")}: look, test ammonia, change ${t("percent")} %`,
  "treat.harms": (t) => `${t("name")} harms animals of this tank: ${t("animals")}.`,
  "treat.law": () => `The product's label, local law and a vet stand above this.`,
  "treat.off": (t) => `Off and out for ${t("name")}: ${t("things")}`,
  "treat.off.why": (t) => `They would take the remedy out or break it down. Until ${t("day")}.`,
  "treat.oxidiser": () => `Glasses and gloves. Never with vinegar, acid, bleach or conditioner, in the tank or in a bucket.`,
  "treat.prescription": (t) => `${t("name")} needs a prescription: an aquatic vet decides on it. Nothing is planned here.`,
  "treat.roster": () => `Nobody has entered the animals of this tank: look for shrimp, snails and corals before you dose.`,
  "treat.running": (t) => `${t("name")} runs until ${t("day")}: one course at a time, no two may meet.`,
  "treat.volume": () => `Enter the size of this tank first: a dose needs its litres.`,
  "trend.aside": (t) => `${t("value")} of ${t("on")} is set aside: about ${t("expected")} fits there.`,
  "trend.aside-slip": (t) => `${t("value")} of ${t("on")} is set aside: about ${t("expected")} fits there. Was it ${t("slip")}?`,
  "trend.asked": (t) => `It seems to move differently since about ${t("on")}: ${t("since")} a day, ${t("before")} before. What changed then?`,
  "trend.climbs": (t) => `${t("what")} climbs ${t("rate")} a day.`,
  "trend.climbs-since": (t) => `${t("what")} climbs ${t("rate")} a day since ${t("on")}, ${t("before")} before: ${t("event")}.`,
  "trend.crosses": (t) => `With the changes that are planned it reaches ${t("limit")} about ${t("on")}, between ${t("from")} and ${t("to")}.`,
  "trend.crosses-open": (t) => `With the changes that are planned it reaches ${t("limit")} about ${t("on")}, not before ${t("from")}.`,
  "trend.dosed": (t) => `It stays where it is: the tank uses what is dosed, about ${t("rate")} a day.`,
  "trend.doser.measure-first": (t) => `The setting of the doser is new: measure from ${t("from")} on before you change it again.`,
  "trend.doser.right": (t) => `The doser gives ${t("now")} a day, and the tank uses the same, within the error of its tests. It leaves ${t("salt")} of salt a day.`,
  "trend.doser.step": (t) => `The tank uses ${t("used")} a day and the doser gives ${t("now")}: turn it ${t("way") === "up" ? `up` : `down`} to ${t("to")}, a tenth at most, and measure again in a week. It leaves ${t("salt")} of salt a day.`,
  "trend.fall": (t) => `${t("left")} % of its best is left: ${t("now")}, and ${t("best")} on ${t("on")}.`,
  "trend.falls": (t) => `${t("what")} falls ${t("rate")} a day.`,
  "trend.falls-since": (t) => `${t("what")} falls ${t("rate")} a day since ${t("on")}, ${t("before")} before: ${t("event")}.`,
  "trend.few": (t, _n, p) => `A trend takes four readings: ${p("count") === "one" ? `there is one` : `there are ${t("count")}`}.`,
  "trend.none": (t) => `It neither builds up nor is used: at most ${t("rate")} a day.`,
  "trend.outgrown": (t) => `It lacks ${t("lacks")} a day: no change of water makes up for that, the doser has to.`,
  "trend.overdosed": (t) => `That is ${t("more")} a day more than it uses.`,
  "trend.pump.brings": (t) => `It brings ${t("ions")} a day.`,
  "trend.pump.ion": (t) => `${t("mgL")} of ${t("ion") === "Na" ? `sodium` : t("ion") === "K" ? `potassium` : t("ion") === "Ca" ? `calcium` : t("ion") === "Mg" ? `magnesium` : t("ion") === "Cl" ? `chloride` : t("ion") === "SO4" ? `sulphate` : t("ion") === "NO3" ? `nitrate` : t("ion") === "PO4" ? `phosphate` : `${t("ion")}`}`,
  "trend.pump.lasts": (t, n, p) => `${n("days") === 0 ? `Its container is used up by the last count.` : p("days") === "one" ? `Its container lasts 1 day more.` : `Its container lasts ${t("days")} days more.`}`,
  "trend.pump.right": (t) => `${t("pump")} gives what the tank uses: leave it at ${t("now")} mL a day.`,
  "trend.pump.step": (t) => `${t("pump")} is set to ${t("now")} mL a day and the tank uses ${t("used")}: turn it ${t("way") === "up" ? `up` : `down`} to ${t("to")} mL, a tenth at most, and measure again in a week.`,
  "trend.ratio.little-nitrate": (t) => `Nitrate to phosphate is ${t("to")} : 1 by weight, where food alone makes about ${t("usual")} : 1: nitrate is taken, or phosphate comes from rock or from the tap. Test the new water for phosphate.`,
  "trend.ratio.little-phosphate": (t) => `Nitrate to phosphate is ${t("to")} : 1 by weight, where food alone makes about ${t("usual")} : 1: something takes phosphate, rock, media or growth. With little of it left, watch for paling before you lower it further.`,
  "trend.ratio.magnesium": (t) => `${t("used")} of magnesium seem to be used a day; with this calcium nothing that grows takes more than ${t("most")}. Test it again with another kit, and hold the salinity meter against a reference.`,
  "trend.ratio.salt-comes": (t) => `Salinity climbs ${t("rate")} a day between changes, and nothing that is logged brings salt: hold the meter against a reference.`,
  "trend.ratio.salt-goes": (t) => `Salinity falls ${t("rate")} a day between changes, and the log knows of no salt water that left: look at skimmer cup, splashes and leaks, and hold the meter against a reference.`,
  "trend.ratio.salt-in-top-up": (t) => `Salinity climbs ${t("rate")} a day between changes. With ${t("evaporates")} a day that evaporate, the top-up water would hold about ${t("holds")}: measure it.`,
  "trend.settles": (t, _n, p) => `${t("share")} % every ${p("days") === "one" ? `day` : `${t("days")} days`} settles at ${t("peak")}.`,
  "trend.settles-hold": (t, _n, p) => `${t("share")} % every ${p("days") === "one" ? `day` : `${t("days")} days`} settles at ${t("peak")}; ${t("needs")} % would hold ${t("limit")}.`,
  "trend.settles-never": (t, _n, p) => `${t("share")} % every ${p("days") === "one" ? `day` : `${t("days")} days`} settles at ${t("peak")}; no change of water alone holds ${t("limit")}.`,
  "trend.settles-often": (t, _n, p) => `${t("share")} % every ${p("days") === "one" ? `day` : `${t("days")} days`} settles at ${t("peak")}; ${p("often") === "one" ? `every day` : `every ${t("often")} days`} it would hold ${t("limit")}.`,
  "trend.slip.a-tenth": () => `a tenth of that`,
  "trend.slip.fahrenheit": () => `read in °F`,
  "trend.slip.meq": () => `read in meq/L`,
  "trend.slip.phosphorus": () => `phosphorus, or phosphate`,
  "trend.slip.ten-times": () => `ten times that`,
  "trend.slip.thousand": () => `a thousand times that`,
  "trend.spell.lasts": (t) => `It has stood too ${t("way") === "high" ? `high` : `low`} since ${t("from")}, ${t("worst")} at the furthest.`,
  "trend.spell.once": (t) => `It was too ${t("way") === "high" ? `high` : `low`} on ${t("from")}: ${t("worst")}.`,
  "trend.spell.past": (t) => `It stood too ${t("way") === "high" ? `high` : `low`} from ${t("from")} to ${t("to")}, ${t("worst")} at the furthest.`,
  "trend.start-dosing": (t) => `Changes alone do not keep ${t("limit")}: start dosing, ${t("rate")} a day.`,
  "trend.together": (t) => `By these tests ${t("alkalinity")} of alkalinity ${t("rises") === "yes" ? `comes by itself` : `is used`} a day and ${t("calcium")} of calcium ${t("makes") === "yes" ? `comes by itself` : `is used`}; corals would take ${t("expected")} of calcium with it. Test ${t("doubt")} again, with another kit.`,
  "trend.unread": () => `It has not been read yet.`,
  "trend.uses": (t) => `The tank uses ${t("rate")} of ${t("what")} a day and is given ${t("dosed")}.`,
  "trend.uses-since": (t) => `The tank uses ${t("rate")} of ${t("what")} a day since ${t("on")}, ${t("before")} before, and is given ${t("dosed")}: ${t("event")}.`,
  "trend.within": () => `It moves less than the kit can tell.`,
  "trouble.air-drawn-in": () => `A pump draws air`,
  "trouble.ammonia": () => `Ammonia`,
  "trouble.animals-missing": () => `Animals missing`,
  "trouble.bacterial-bloom": () => `Bloom of bacteria`,
  "trouble.blocked-flow": () => `Blocked flow`,
  "trouble.brown-film": () => `Brown film`,
  "trouble.chlorine": () => `Chlorine`,
  "trouble.cold-fill-bubbles": () => `Gas of a cold refill`,
  "trouble.corals-after-change": () => `Closed after a change`,
  "trouble.corals-water-off": () => `Corals tell of the water`,
  "trouble.dark-tufts": () => `Dark tuft algae`,
  "trouble.dead-wave-maker": () => `A dead wave-maker`,
  "trouble.dinoflagellates": () => `Dinoflagellates`,
  "trouble.dose-harms": () => `Harm by a dose`,
  "trouble.fish-dead": () => `A death, not known of what`,
  "trouble.fish-spots": () => `Spots, not known of what`,
  "trouble.gasping": () => `Gasping`,
  "trouble.green-film": () => `Green film`,
  "trouble.green-water": () => `Swimming algae`,
  "trouble.hair-rooted": () => `Hair algae, rooted hard`,
  "trouble.hair-young": () => `Hair algae of a young tank`,
  "trouble.jelly-heavy": () => `Water too heavy for the bells`,
  "trouble.jelly-light": () => `Water too light for the bells`,
  "trouble.leak": () => `A leak`,
  "trouble.low-oxygen": () => `Too little oxygen`,
  "trouble.mixing-error": () => `A mistake in the mix`,
  "trouble.noisy-drain": () => `Air in the drain`,
  "trouble.noisy-pump": () => `A worn or dirty pump`,
  "trouble.overflow": () => `An overflow`,
  "trouble.power-cut": () => `Power cut`,
  "trouble.skimmer-wild": () => `Skimmer foams over`,
  "trouble.slime": () => `Slime bacteria`,
  "trouble.stirred-bed": () => `Dust of the bed`,
  "trouble.surface-film": () => `Overflow does not pull`,
  "trouble.too-cold": () => `Too cold`,
  "trouble.too-warm": () => `Too warm`,
  "trouble.top-up-stuck": () => `Top-up stuck on`,
  "trouble.undissolved-salt": () => `Salt not dissolved`,
  "trouble.wrong-reading": () => `A wrong reading`,
  "trouble.yellow-water": () => `Tannins`,
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
  "warm.alone": () => `warms`,
  "warm.caution": () => `The heater stays unplugged until the barrel is filled above its line.`,
  "warm.reason": () => `It warms by itself while the glass is cleaned.`,
  "warm.title": () => `Warm the new water`,
  "waste-barrel.craft": (t) => `Mark ${t("litres")} on it: it says when to stop.`,
  "waste-barrel.reason": () => `This site must not have salt water in its drain: all of it is carried away.`,
  "waste-barrel.title": () => `Waste barrel ready`,
  "water.ammonia-bound": () => `Conditioner bound the ammonia within the last two days: a test of it says nothing either way. Look at the animals.`,
  "water.ammonia-emergency": (t) => `Free ammonia is up to ${t("value")}, above ${t("limit")}: change now, with air on, and test again tomorrow.`,
  "water.ammonia-would-rise": (t) => `Do not change water: free ammonia would rise from ${t("before")} to ${t("after")} (limit ${t("limit")}), because the pH could reach ${t("ph")}. Bind the ammonia, stop feeding, and use water of the tank's own pH.`,
  "water.automatic": (t) => `The machine changes ${t("litres")} a day: nothing is changed by hand. Its vessels last until ${t("until")}.`,
  "water.by-condition": () => `Changed in and out together, because every reading is within its limits: nothing stands in air.`,
  "water.by-condition.bad": (t, _n, p) => `Drained first, because ${t("parameters")} ${p("count") === "one" ? `is` : `are`} bad: more of the old water leaves so.`,
  "water.cannot-reach": (t) => `${t("parameter")} cannot come down to ${t("target")} with this water, which brings ${t("refill")}. Use water that brings less: RO water, or a part of it.`,
  "water.chosen": (t) => `${t("litres")} chosen by ${t("who")} under Plan a change.`,
  "water.chosen-on-site": (t) => `${t("litres")} chosen on site.`,
  "water.dose": (t) => `${t("parameter")} is ${t("value")}, below ${t("low")}. Dose it: changes do not lift it enough.`,
  "water.dosing-leaves-salt": (t) => `The two-part dosing leaves ${t("perDay")} of salt a day; with changes like this it settles ${t("settles")} above the new water.`,
  "water.held": (t) => `Nothing can be changed today. ${t("limit")}`,
  "water.in-steps": (t) => `This is the first of ${t("changes")} changes, at least ${t("days")} days apart: a tank left for long is brought back slowly.`,
  "water.left-low": (t) => `Top up only ${t("today")} today; ${t("rest")} more follow on other days, since more would change the water too fast. Find out why so much was missing.`,
  "water.longest-interval": (t) => `Test-led, but the last change was ${t("days")} days ago: the longest interval.`,
  "water.no-reading": (t) => `Test-led: measure ${t("parameters")} first. How much is not known until then.`,
  "water.outside-bands": (t, _n, p) => `Test-led: ${t("parameters")} ${p("count") === "one" ? `is` : `are`} outside the band, and a change does not mend that. No change today, at the latest after ${t("days")} days.`,
  "water.overflow": (t) => `When the return stops ${t("litres")} run back and the sump has room for ${t("room")}: it may overflow. Have its running level lowered.`,
  "water.ph-first": (t) => `Measure the pH of the ${t("of") === "tank" ? `tank` : `new water, after it has stood,`} first. At its worst free ammonia would be ${t("worst")}, above ${t("limit")}.`,
  "water.ph-shift": (t) => `The new water has a pH of ${t("refill")}, the tank ${t("before")}: it may move by more than ${t("most")}. Compare at the same hour tomorrow.`,
  "water.policy.continuous": (t) => `This tank is on continuous exchange, ${t("share")} % each visit.`,
  "water.policy.fixed-share": (t) => `This tank is on fixed share, ${t("share")} % each visit.`,
  "water.policy.reset": (t) => `This tank is on reset, ${t("share")} % each visit.`,
  "water.policy.test-led": (t) => `This tank is on test-led, ${t("share")} % each visit.`,
  "water.raised": (t) => `Raised from ${t("from")}: ${t("parameter")} is ${t("value")} and should come to ${t("target")}, well inside its band.`,
  "water.retest": (t) => `${t("parameter")} ${t("value")} does not fit: about ${t("expected")} was expected. Measure it once more; the change waits for it.`,
  "water.salinity-assumed": (t) => `Nobody has measured the salinity lately: the plan takes ${t("value")}. Measure it before you mix.`,
  "water.salinity-creeps": (t) => `Salinity rises by ${t("perDay")} a day: the top-up water contains about ${t("topUp")} of salt. Only RO water replaces what evaporates.`,
  "water.salinity-in-steps": (t) => `Salinity goes from ${t("from")} to ${t("today")} today and to ${t("target")} over ${t("days")} days: faster would harm.`,
  "water.sea-refused": (t) => `${t("source")} must not be used. ${t("why")} Mix salt water for this visit instead.`,
  "water.too-cold": (t) => `The water is at ${t("value")}, under the floor of ${t("floor")}. Find the heater's fault and bring it up slowly first; the change is put off.`,
  "water.treatment": (t) => `${t("name")} works in this water until ${t("until")}. A change now would thin it; put it off to that day.`,
  "water.treatment-follow-up": (t) => `The change that follows ${t("name")} is due.`,
  "water.within-bands": (t) => `Test-led, and every reading is inside its band: no change today, at the latest after ${t("days")} days.`,
  "water.wrong-water.no-salt": (t) => `${t("source")} holds no salt, and this tank lives in salt water. Choose a mix or sea water as its source.`,
  "water.wrong-water.salt": (t) => `${t("source")} is salt water, and this is a freshwater tank. Choose another source.`,
  "water.wrong-water.too-far": (t) => `${t("source")} has ${t("psu")}, the tank ${t("tank")}: too far apart. Use a mix made to the tank's strength.`,
  "water.young": (t) => `A young tank, ${t("phase")}: changes are ${t("times")} times as large until it is steady.`,
  "weeks.away": (t) => `${t("name")} is away: ${t("why")}.`,
  "weeks.barrels": (t) => `The water takes ${t("needs")} barrels, and the van has ${t("most")}.`,
  "weeks.closed": (t) => `Closed on ${t("day")}s.`,
  "weeks.closed-then": () => `Closed on this date.`,
  "weeks.knows": (t) => `${t("name")} does not do ${t("what")}.`,
  "weeks.litres": (t) => `${t("over")} more than the van has room for.`,
  "weeks.load": (t) => `${t("over")} more than the van carries.`,
  "weeks.no-room": () => `No room left in its hours on this day.`,
  "weeks.no-tide": () => `No tide fits for the sea water it takes.`,
  "weeks.offer.none": () => `Nobody who does it is free near its day, within its hours.`,
  "weeks.overtime": (t) => `${t("time")} past the end of the day.`,
  "weeks.rhythm.longer": (t) => `${t("tank")} is steady: ${t("parameter")} would stay under ${t("ceiling")} for ${t("days")} days. A visit ${t("rhythm")} would do.`,
  "weeks.rhythm.shorter": (t) => `${t("tank")}: ${t("parameter")} settles at ${t("peak")} before each visit, and should stay under ${t("ceiling")}. A visit ${t("rhythm")} would hold it.`,
  "weeks.septic": (t) => `${t("waste")} of salt water has to be carried away, and the van carries ${t("van")}.`,
  "weeks.since": (t, _n, p) => `${p("days") === "one" ? `1 day` : `${t("days")} days`} after the visit before, instead of ${t("usual")}.`,
  "weeks.slips": (t, _n, p) => `${p("days") === "one" ? `1 day` : `${t("days")} days`} late, and a reading drifts.`,
  "weeks.stays.begun": () => `Begun already.`,
  "weeks.stays.best": () => `Every other day or person costs more.`,
  "weeks.stays.drifts": () => `It drifts and must not slip.`,
  "weeks.stays.heavy": (t) => `Its water alone is ${t("water")}, and the van carries ${t("van")}: mix it on site, or split the change.`,
  "weeks.stays.hours": () => `The work takes longer than they are open.`,
  "weeks.stays.nobody": () => `On the days near its own nobody is free who does it, or it is closed.`,
  "weeks.stays.spacing": () => `Any other day is too near another of its visits, or too far.`,
  "weeks.tell.both": (t) => `We had planned to look after your tanks at ${t("site")} on ${t("was")}. Something came up here; ${t("who")} comes on ${t("on")} instead. Call us any time at ${t("phone")}.`,
  "weeks.tell.correction": (t) => `Please forget our last message: we come to ${t("site")} on ${t("was")} after all, as planned. Call us any time at ${t("phone")}.`,
  "weeks.tell.day": (t) => `We had planned to look after your tanks at ${t("site")} on ${t("was")}. Something came up here; we come on ${t("on")} instead. Call us any time at ${t("phone")}.`,
  "weeks.tell.none": (t) => `We cannot come to ${t("site")} on ${t("was")} as planned. We ring you to find another day. Call us any time at ${t("phone")}.`,
  "weeks.tell.who": (t) => `On ${t("was")} ${t("who")} comes to ${t("site")} in place of the colleague you know. Call us any time at ${t("phone")}.`,
  "weeks.too-long": (t) => `The work would end after they close at ${t("closes")}.`,
  "weeks.twice": (t) => `${t("name")} goes there on the same day.`,
  "weeks.until": (t, _n, p) => `${p("days") === "one" ? `1 day` : `${t("days")} days`} before the next visit, instead of ${t("usual")}.`,
  "weeks.why.earlier": (t) => `${t("day")} ends ${t("time")} earlier.`,
  "weeks.why.even": () => `The days are more even.`,
  "weeks.why.hours": (t) => `It had no room in its hours on ${t("day")}.`,
  "weeks.why.less": (t) => `${t("time")} less on the road.`,
  "weeks.why.lighter": (t) => `${t("day")} carries ${t("less")} less.`,
  "weeks.why.refill": (t) => `Its van carries ${t("less")} less at once, for ${t("time")} more.`,
  "weeks.workday": (t) => `${t("name")} does not work on ${t("day")}s.`,
};
