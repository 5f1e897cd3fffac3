/** Litres a stop takes from the van and gives back to it. */
export interface StopLoad {
  readonly mixL: number;
  readonly seaL: number;
  readonly purifiedL: number;
  readonly wasteL: number;
}

/** Kilograms of water on board at a minute, by kind. */
export interface OnBoard {
  readonly minute: number;
  readonly mixKg: number;
  readonly seaKg: number;
  readonly purifiedKg: number;
  readonly wasteKg: number;
}

/** 1.025 kg/L: sea water of 35 PSU at tank temperature (EOS-80 gives 1.023 at 25 °C). */
const SALT_KG_PER_L = 1.025;

/** What a van carries: kilograms, and where that is known its litres and how many barrels. */
export interface Van {
  readonly vanKg: number;
  readonly vanL?: number | null | undefined;
  readonly vanBarrels?: number | null | undefined;
}

/** The most water on board at any minute, and whether the van takes it. */
export interface Peak {
  readonly peakKg: number;
  readonly peakL: number;
  /** Barrels that are needed at once: no two kinds of water share one. */
  readonly peakBarrels: number;
  readonly fits: boolean;
}

const NEARLY = 1e-6;

/** Weighs what is on board along a day against a van. */
export function peakOf(onBoard: readonly OnBoard[], { vanKg, vanL, vanBarrels }: Van): Peak {
  const barrelL = vanL && vanBarrels ? vanL / vanBarrels : null;
  let [peakKg, peakL, peakBarrels] = [0, 0, 0];
  for (const b of onBoard) {
    const litres: [number, number, number, number] = [
      b.mixKg / SALT_KG_PER_L,
      b.seaKg / SALT_KG_PER_L,
      b.purifiedKg,
      b.wasteKg / SALT_KG_PER_L,
    ];
    peakKg = Math.max(peakKg, b.mixKg + b.seaKg + b.purifiedKg + b.wasteKg);
    peakL = Math.max(peakL, litres[0] + litres[1] + litres[2] + litres[3]);
    if (barrelL !== null)
      peakBarrels = Math.max(
        peakBarrels,
        litres.reduce((sum, l) => sum + Math.ceil(Math.max(0, l - NEARLY) / barrelL), 0),
      );
  }
  const fits =
    peakKg <= vanKg + NEARLY &&
    (!vanL || peakL <= vanL + NEARLY) &&
    (barrelL === null || peakBarrels <= (vanBarrels ?? 0));
  return { peakKg, peakL, peakBarrels, fits };
}

/** What a stop takes and gives back, kg by kind of water. */
export function kilograms(load: StopLoad): Omit<OnBoard, "minute"> {
  return {
    mixKg: load.mixL * SALT_KG_PER_L,
    seaKg: load.seaL * SALT_KG_PER_L,
    purifiedKg: load.purifiedL,
    wasteKg: load.wasteL * SALT_KG_PER_L,
  };
}
