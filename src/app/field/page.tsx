import { FieldBook } from "@/components/field/field-book";

export const metadata = { title: "Without a signal" };

/** Holds nothing of anybody: what it shows comes from the device. */
export default function FieldPage() {
  return <FieldBook />;
}
