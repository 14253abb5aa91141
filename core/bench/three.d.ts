/** The little of three that the bench uses; the package ships no types of its own. */
declare module "three" {
  export class Euler {
    set(x: number, y: number, z: number): this;
  }
  export class Bone {
    readonly rotation: Euler;
    readonly position: Euler;
    add(child: Bone): this;
    updateMatrixWorld(force?: boolean): void;
  }
  export class Skeleton {
    constructor(bones: readonly Bone[]);
    update(): void;
  }
}
