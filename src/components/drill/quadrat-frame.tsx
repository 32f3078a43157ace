"use client";
import { useState } from "react";
import type { Quadrat } from "@/core/drill";
import { Button } from "../ui/button";

const SIDE = 400;
const outline = (points: [number, number][]): string =>
  `M${points.map(([x, y]) => `${(x * SIDE).toFixed(1)},${(y * SIDE).toFixed(1)}`).join("L")}Z`;

const number = (text: string, most: number): number | null => {
  const value = Number(text.replace(",", "."));
  return text.trim() !== "" && Number.isFinite(value) && value >= 0 && value <= most ? value : null;
};

/** A frame on the ground, seen from above: say how much the plant covers and how many stand in it. */
export function QuadratFrame({
  quadrat,
  plain,
  isAnswered,
  onAnswer,
}: {
  quadrat: Quadrat;
  plain: string;
  isAnswered: boolean;
  onAnswer: (coverPercent: number, count: number) => void;
}) {
  const [cover, setCover] = useState("");
  const [count, setCount] = useState("");
  const [said, setSaid] = useState(false);
  const [coverIs, countIs] = [number(cover, 100), number(count, 10_000)];
  const whole = countIs === null ? null : Number.isInteger(countIs) ? countIs : null;
  const send = (e: React.FormEvent) => {
    e.preventDefault();
    setSaid(true);
    if (coverIs !== null && whole !== null) onAnswer(coverIs, whole);
  };
  return (
    <div className="mt-3 md:flex gap-6 items-start">
      <svg
        viewBox={`-6 -6 ${SIDE + 12} ${SIDE + 12}`}
        className="w-full max-w-[420px] drawing-ground"
        role="img"
        aria-label="A frame on the ground with plants in it, seen from above"
      >
        <rect width={SIDE} height={SIDE} className="tint-ground" />
        {quadrat.others.map((points) => (
          <path key={outline(points)} d={outline(points)} className="tint-straw ink-inner" />
        ))}
        {quadrat.plants.map((points) => (
          <path key={outline(points)} d={outline(points)} className="tint-dark ink-hair" />
        ))}
        <rect width={SIDE} height={SIDE} className="tint-none ink-key" />
      </svg>
      <form onSubmit={send} className="grid gap-3 max-w-[300px] mt-3 md:mt-0" noValidate>
        <p>The green plants are {plain}. The pale ones are other plants.</p>
        <label className="field">
          <span className="label">Cover of the green plants, %</span>
          <input
            inputMode="decimal"
            autoComplete="off"
            className="figure"
            value={cover}
            onChange={(e) => setCover(e.target.value)}
          />
          {said && coverIs === null ? <span className="fault">Give a number from 0 to 100.</span> : null}
        </label>
        <label className="field">
          <span className="label">How many green plants stand in the frame</span>
          <input
            inputMode="numeric"
            autoComplete="off"
            className="figure"
            value={count}
            onChange={(e) => setCount(e.target.value)}
          />
          {said && whole === null ? <span className="fault">Give a whole number.</span> : null}
        </label>
        <Button type="submit" look="press" disabled={isAnswered}>
          Answer
        </Button>
      </form>
    </div>
  );
}
