/** What a finding is about, where a screen gathers findings by that. */

/** Whether it judges the plate, or what is fitted against it. */
export const isOfPlate = ({ point }: { point: string }) =>
  point.startsWith("plate.") || point.endsWith(".fitted");

/** Whether it was read to be safe today: that says nothing of the years. */
export const isOfSafety = ({ point }: { point: string }) => point.startsWith("safe.");

/** Whether it judges the defrost that was watched. */
export const isOfRun = ({ point }: { point: string }) => point.startsWith("defrost.run.");
