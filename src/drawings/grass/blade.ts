import {
  type Shape,
  all,
  area,
  smoothClosed,
  pts,
  inner,
  straight,
  outline,
  smooth,
  circle,
  flat,
  faint,
} from "../ink/shapes";
import { stem } from "../stem/stem";

export function bladeForm(kind: string): Shape[] {
  if (kind === "flat")
    return all(
      area(smoothClosed(pts("14,56 30,44 104,34 110,40 36,62")), "leaf"),
      inner(straight(pts("18,56 108,38"))),
      area(straight(pts("20,82 100,82 100,86 20,86"), true), "leaf"),
    );
  if (kind === "channelled")
    return all(
      area(smoothClosed(pts("14,56 30,44 104,34 110,40 36,62")), "leaf"),
      {
        ...inner(straight(pts("18,56 108,38"))),
        width: 2,
      },
      {
        ...outline(straight(pts("36,72 60,90 84,72"))),
        width: 3,
      },
    );
  if (kind === "rolled")
    return all(
      Array.from({ length: 5 }, (_, i) => ({
        ...outline(
          smooth([
            [44 + i * 6, 88],
            [34 + i * 12, 50],
            [20 + i * 20, 12],
          ]),
        ),
        width: 1.4,
      })),
      area(circle(102, 78, 8), "leaf"),
      {
        ...inner(smooth(pts("102,70 100,78 104,80"))),
      },
    );
  return all(
    [44, 60, 76].flatMap((x) => stem(x, 8, 92, 4, "green")),
    area(circle(102, 70, 9), "green"),
    flat(circle(102, 70, 5), "white"),
  );
}

export function bladeTip(kind: string): Shape[] {
  if (kind === "boat")
    return all(
      area(smoothClosed(pts("10,40 80,36 106,40 110,48 106,56 80,60 10,56")), "leaf"),
      {
        ...inner(smooth(pts("10,48 90,48 110,44"))),
        width: 1.6,
      },
      outline(smooth(pts("96,38 104,48 96,58"))),
    );
  return all(area(straight(pts("10,36 60,40 112,48 60,56 10,60"), true), "leaf"), inner(straight(pts("10,48 110,48"))));
}

export function midrib(kind: string): Shape[] {
  const strip = area(straight(pts("34,6 86,6 90,92 30,92"), true), "leaf");
  if (kind === "keel")
    return all(
      strip,
      {
        ...outline(straight(pts("60,6 60,92"))),
        width: 4,
      },
      faint(straight(pts("46,6 44,92"))),
      faint(straight(pts("74,6 76,92"))),
    );
  if (kind === "pale-stripe")
    return all(
      strip,
      flat(straight(pts("48,6 54,6 52,92 45,92"), true), "white"),
      outline(straight(pts("48,6 45,92"))),
      outline(straight(pts("54,6 52,92"))),
      faint(straight(pts("70,6 72,92"))),
    );
  if (kind === "tramline")
    return all(
      strip,
      flat(straight(pts("56,6 58,6 58,92 56,92"), true), "white"),
      flat(straight(pts("62,6 64,6 64,92 62,92"), true), "white"),
      outline(straight(pts("57,6 57,92"))),
      outline(straight(pts("63,6 63,92"))),
    );
  return all(strip, ...[42, 50, 60, 70, 78].map((x) => faint(straight(pts("0,6 0,92", x)))));
}
