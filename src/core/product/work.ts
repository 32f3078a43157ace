import { z } from "zod";
import { above0, calculation, from0, roundUp, whole } from "./calculation";

/** Hours, bags and money. */
export const WORK = [
  calculation({
    name: "work-hours",
    says: "Hours of a crew: the work itself, walking, and cleaning down.",
    inputs: z.strictObject({
      amount: above0("stems or m²"),
      pacePerHour: above0("stems or m² that one person does in an hour"),
      people: whole(1, "people"),
      walkKm: from0("km, there and back").default(0),
      walkKmH: above0("km/h").default(4),
      cleanMinutes: from0("min, of the whole crew").default(0),
    }),
    gives: "{ crewHours: from leaving to being clean, personHours: of all together }",
    source: "amount ÷ (pace · people) + walk + cleaning",
    example: {
      inputs: { amount: 600, pacePerHour: 60, people: 2, walkKm: 2, walkKmH: 4, cleanMinutes: 30 },
      value: { crewHours: 6, personHours: 12 },
    },
    run: ({ amount, pacePerHour, people, walkKm, walkKmH, cleanMinutes }) => {
      const crewHours = amount / (pacePerHour * people) + walkKm / walkKmH + cleanMinutes / 60;
      return { crewHours, personHours: crewHours * people };
    },
  }),
  calculation({
    name: "bags",
    says: "Bags for what is carried out, by what fills them first: room or weight.",
    inputs: z.strictObject({
      volumeL: from0("L, of what is carried out"),
      massKg: from0("kg"),
      bagL: above0("L, that a bag takes"),
      bagKg: above0("kg, that a person should lift"),
    }),
    gives: "{ bags, kgEach }",
    source: "the larger of volume ÷ room and mass ÷ limit, rounded up",
    example: { inputs: { volumeL: 200, massKg: 90, bagL: 60, bagKg: 15 }, value: { bags: 6, kgEach: 15 } },
    run: ({ volumeL, massKg, bagL, bagKg }) => {
      const bags = Math.max(roundUp(volumeL / bagL), roundUp(massKg / bagKg));
      return { bags, kgEach: bags === 0 ? 0 : massKg / bags };
    },
  }),
  calculation({
    name: "cost",
    says: "Cost of a piece of work.",
    inputs: z.strictObject({
      personHours: from0("h, of all people"),
      perHour: from0("money for an hour"),
      product: from0("L or kg").default(0),
      perUnit: from0("money for a L or kg").default(0),
      other: from0("money").default(0),
    }),
    gives: "money",
    source: "hours · wage + product · price + other",
    example: { inputs: { personHours: 12, perHour: 30, product: 2, perUnit: 25, other: 10 }, value: 420 },
    run: ({ personHours, perHour, product, perUnit, other }) => personHours * perHour + product * perUnit + other,
  }),
];
