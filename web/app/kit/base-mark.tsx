import type { Point } from "@able-tide/core/body/base-of-support";
import { column } from "@able-tide/core/body/channels";
import { numberAt } from "@able-tide/core/checked-access";
import { projection } from "@able-tide/core/figure/camera";
import type { Picture } from "@able-tide/core/figure/framing";

interface Props {
  /** One solved sample row and its base of support, shares of stature. */
  readonly row: Float64Array;
  readonly base: readonly Point[];
  readonly picture: Picture;
}

/** The base of support on the floor, and where the centre of mass is over it; drawn in a picture of the figure. */
export function BaseMark({ row, base, picture }: Props) {
  const put = projection(picture.camera);
  const onPicture = (x: number, y: number, z: number): string => {
    const { across, up } = put(x, y, z);
    return `${(100 * across).toFixed(2)} ${(-100 * up).toFixed(2)}`;
  };
  const [x, y, z] = (["comX", "comY", "comZ"] as const).map((name) => numberAt(row, column(name))) as [number, number, number];
  const dot = "a2 2 0 1 0 4 0a2 2 0 1 0 -4 0";
  return (
    <g stroke="var(--figure-mark)" strokeWidth="0.8">
      {base.length > 0 && (
        <path
          d={`M${base.map(([ahead, aside]) => onPicture(ahead, 0, aside)).join(" L")} Z`}
          fill="var(--figure-mark)"
          fillOpacity="0.18"
          strokeDasharray="2 1.4"
        />
      )}
      <path d={`M${onPicture(x, y, z)} L${onPicture(x, 0, z)}`} strokeDasharray="1 1.4" />
      <path d={`M${onPicture(x, y, z)} m-2 0${dot}`} fill="var(--color-sand-50)" />
      <path d={`M${onPicture(x, 0, z)} m-2 0${dot}`} fill="var(--figure-mark)" />
    </g>
  );
}
