import { type Build, USUAL_BUILD } from "@able-tide/core/body/build";
import { pointColumn, sidedColumn, sidedPointColumn } from "@able-tide/core/body/channels";
import type { PoseFrame } from "@able-tide/core/body/pose";
import type { WaterEquipment } from "@able-tide/core/body/water-equipment";
import { numberAt } from "@able-tide/core/checked-access";
import { figureParts } from "@able-tide/core/figure/figure-parts";
import { FLOOR_RADIUS, type Picture } from "@able-tide/core/figure/framing";
import { type Mesh as FigureMesh, meshOf } from "@able-tide/core/figure/mesh";
import { MATERIALS, thinned } from "@able-tide/core/figure/part";
import { SIDES } from "@able-tide/core/side";
import {
  BufferAttribute,
  BufferGeometry,
  CircleGeometry,
  Color,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  OrthographicCamera,
  Scene,
  type ShaderMaterial,
  SRGBColorSpace,
  Vector3,
  WebGLRenderer,
} from "three";
import { drawsBySoftware } from "./draws-by-software.ts";
import { FigureLights, PlainLight, tintUnderWater } from "./figure-lights.ts";
import { outlinedFaces, outlineMaterial } from "./figure-outline.ts";

/** How finely and how richly the figure is drawn, the best first: a slow machine steps down. */
const QUALITIES = [
  { around: 16, fingers: true, shadows: true, plain: false, mostPixels: 2 },
  { around: 12, fingers: true, shadows: false, plain: false, mostPixels: 1.5 },
  { around: 8, fingers: false, shadows: false, plain: true, mostPixels: 1 },
] as const;
/**
 * Where pictures follow each other later than this, milliseconds, so many times in a row, they are drawn more simply; after a
 * pause nothing moved.
 */
const SLOW = { milliseconds: 50, pictures: 12, pause: 500 } as const;

/** Without a graphics processor a picture is drawn no more often than this, milliseconds: the rest of the page goes first. */
const UNHURRIED = 45;

/** Everything is drawn within this distance of the pelvis, shares of stature. */
const DEPTH = 4;

/** What one picture of the scene shows. */
export interface Shown {
  readonly row: Float64Array;
  readonly frame: PoseFrame;
  readonly build?: Build | undefined;
  /** What free hands hold in water; nothing unless it is said. */
  readonly inHands?: WaterEquipment | undefined;
  /** Height of the water over the floor, share of stature. */
  readonly waterline?: number | undefined;
}

const colourOf = (style: CSSStyleDeclaration, name: string, otherwise: string): Color =>
  new Color().setStyle(style.getPropertyValue(`--figure-${name}`).trim() || otherwise, SRGBColorSpace);

/** The mark of a foot on the floor, as dark as the weight that it carries. */
function footMark(): Mesh<CircleGeometry, MeshBasicMaterial> {
  const mark = new Mesh(
    new CircleGeometry(1, 28),
    new MeshBasicMaterial({ color: 0x06222b, transparent: true, depthWrite: false }),
  );
  mark.rotation.x = -Math.PI / 2;
  return mark;
}

/**
 * The figure in space, drawn on a canvas by the graphics processor: the same parts as the drawn figure. Throws where the
 * browser has no WebGL 2.
 */
export class FigureScene {
  readonly #renderer: WebGLRenderer;
  readonly #scene = new Scene();
  readonly #camera = new OrthographicCamera();
  readonly #lights = new FigureLights(2 * DEPTH);
  readonly #body: Mesh<BufferGeometry, MeshLambertMaterial | ShaderMaterial>;
  readonly #floor: Mesh<CircleGeometry, MeshLambertMaterial | MeshBasicMaterial>;
  readonly #surface: Mesh<CircleGeometry, MeshBasicMaterial>;
  readonly #marks = SIDES.map((side) => ({ side, mark: footMark() }));
  readonly #water = { height: { value: -10 }, colour: { value: new Color() } };
  readonly #lineColour = { value: new Color() };
  /** The line round each part, on the same corners as the body. */
  readonly #line = new Mesh(new BufferGeometry(), outlineMaterial(this.#lineColour));
  readonly #plain = new PlainLight(this.#water);
  #colours: readonly Color[] = [];
  #mesh: FigureMesh | undefined;
  readonly #slowly: boolean;
  #quality = 0;
  #slow = 0;
  #shownAt = 0;
  #restsUntil = 0;
  #shown: Shown | null = null;
  #pictures: readonly Picture[] = [];

  constructor(canvas: HTMLCanvasElement) {
    this.#slowly = drawsBySoftware();
    if (this.#slowly) this.#quality = QUALITIES.length - 1;
    this.#renderer = new WebGLRenderer({ canvas, antialias: !this.#slowly, alpha: true });
    this.#renderer.setScissorTest(true);
    const material = new MeshLambertMaterial({ vertexColors: true });
    tintUnderWater(material, this.#water);
    this.#body = new Mesh(new BufferGeometry(), material);
    this.#body.castShadow = true;
    this.#body.receiveShadow = true;
    this.#body.frustumCulled = false;
    this.#floor = new Mesh(new CircleGeometry(FLOOR_RADIUS, 64), new MeshLambertMaterial());
    this.#floor.rotation.x = -Math.PI / 2;
    this.#floor.receiveShadow = true;
    this.#surface = new Mesh(
      new CircleGeometry(FLOOR_RADIUS, 64),
      new MeshBasicMaterial({ transparent: true, opacity: 0.3, depthWrite: false }),
    );
    this.#surface.rotation.x = -Math.PI / 2;
    this.#line.frustumCulled = false;
    this.#scene.add(this.#lights.all, this.#floor, this.#surface, this.#body, this.#line);
    for (const { mark } of this.#marks) this.#scene.add(mark);
    this.#light();
    this.recolour(canvas);
  }

  /** Takes the colours of the page that the canvas is on. */
  recolour(canvas: HTMLElement): void {
    const style = getComputedStyle(canvas);
    this.#colours = MATERIALS.map((name) => colourOf(style, name === "leftShoe" ? "shoe" : name, "#888"));
    this.#lineColour.value.copy(colourOf(style, "line", "#14343c"));
    this.#floor.material.color.copy(colourOf(style, "ground", "#ece5d3"));
    this.#surface.material.color.copy(colourOf(style, "water", "#4aa3ad"));
    this.#water.colour.value.copy(colourOf(style, "water", "#4aa3ad"));
    this.#mesh = undefined;
  }

  /**
   * Draws a pose in one or more pictures side by side.
   *
   * @param shown the pose
   * @param pictures from left to right, of equal breadth
   */
  show(shown: Shown, pictures: readonly Picture[]): void {
    const began = performance.now();
    const turned = pictures !== this.#pictures;
    this.#shown = shown;
    this.#pictures = pictures;
    if (this.#slowly && !turned && began < this.#restsUntil) return;
    this.#pose(shown);
    this.#draw();
    if (this.#slowly) this.#rest(began);
    // What the graphics processor takes shows in how late the browser asks for the next picture.
    const since = began - this.#shownAt;
    this.#shownAt = began;
    this.#slow = since > SLOW.milliseconds && since < SLOW.pause ? this.#slow + 1 : 0;
    if (this.#slow > SLOW.pictures) this.simplify();
  }

  /** Waits for the picture to be drawn, and leaves the page as long to itself. */
  #rest(began: number): void {
    const context = this.#renderer.getContext();
    context.readPixels(0, 0, 1, 1, context.RGBA, context.UNSIGNED_BYTE, new Uint8Array(4));
    const now = performance.now();
    this.#restsUntil = Math.max(began + UNHURRIED, now + (now - began));
  }

  /** Draws more simply from now on, where that is possible. */
  simplify(): void {
    this.#slow = 0;
    if (this.#quality === QUALITIES.length - 1) return;
    this.#quality += 1;
    this.#mesh = undefined;
    this.#light();
  }

  /** Lights the scene as richly as is fit now. */
  #light(): void {
    const { shadows, plain } = this.#now;
    this.#renderer.shadowMap.enabled = shadows;
    this.#lights.key.castShadow = shadows;
    if (plain) {
      const { color } = this.#floor.material;
      this.#body.material.dispose();
      this.#floor.material.dispose();
      this.#body.material = this.#plain.material;
      this.#floor.material = new MeshBasicMaterial({ color });
    }
    this.#body.material.needsUpdate = true;
    this.#floor.material.needsUpdate = true;
  }

  /** Fits the canvas to its place on the page, CSS pixels. */
  resize(wide: number, high: number): void {
    this.#renderer.setPixelRatio(Math.min(window.devicePixelRatio, this.#now.mostPixels));
    this.#renderer.setSize(wide, high, false);
    // Its new size has emptied the canvas.
    this.#restsUntil = 0;
    if (this.#shown) this.show(this.#shown, this.#pictures);
  }

  /** Lets go of what the graphics processor keeps. */
  dispose(): void {
    this.#body.geometry.dispose();
    this.#body.material.dispose();
    this.#plain.material.dispose();
    this.#line.geometry.dispose();
    this.#line.material.dispose();
    this.#renderer.dispose();
  }

  get #now(): (typeof QUALITIES)[number] {
    return QUALITIES[this.#quality] ?? QUALITIES[0];
  }

  #pose({ row, frame, build = USUAL_BUILD, inHands = "bare", waterline }: Shown): void {
    const parts = figureParts(row, frame, build, { hands: 1, fingers: this.#now.fingers, face: 1.15, inHands });
    const mesh = meshOf(this.#now.plain ? parts.map(thinned) : parts, this.#now.around, this.#mesh);
    const { geometry } = this.#body;
    if (mesh === this.#mesh) {
      geometry.getAttribute("position").needsUpdate = true;
      geometry.getAttribute("normal").needsUpdate = true;
    } else this.#adopt(mesh);
    const pelvis = pointColumn("pelvis");
    const [x, z] = [numberAt(row, pelvis), numberAt(row, pelvis + 2)];
    this.#floor.position.set(x, 0, z);
    this.#surface.visible = waterline !== undefined;
    this.#water.height.value = waterline ?? -10;
    this.#surface.position.set(x, waterline ?? 0, z);
    for (const { side, mark } of this.#marks) {
      const [heel, toe] = [sidedPointColumn("heel", side), sidedPointColumn("toe", side)];
      const at = (column: number, axis: 0 | 2): number => numberAt(row, column + axis);
      const share = numberAt(row, sidedColumn("footShare", side));
      mark.visible = share > 0.005;
      mark.material.opacity = 0.14 + 0.5 * share;
      mark.position.set((at(heel, 0) + at(toe, 0)) / 2, 0.002, (at(heel, 2) + at(toe, 2)) / 2);
      mark.rotation.z = -Math.atan2(at(toe, 2) - at(heel, 2), at(toe, 0) - at(heel, 0));
      mark.scale.set(0.1, 0.046, 1);
    }
  }

  #adopt(mesh: FigureMesh): void {
    this.#mesh = mesh;
    this.#body.geometry.dispose();
    const geometry = new BufferGeometry();
    geometry.setAttribute("position", new BufferAttribute(mesh.positions, 3));
    geometry.setAttribute("normal", new BufferAttribute(mesh.normals, 3));
    const colours = new Float32Array(mesh.positions.length);
    mesh.materials.forEach((material, corner) => {
      this.#colours[material]?.toArray(colours, 3 * corner);
    });
    geometry.setAttribute("color", new BufferAttribute(colours, 3));
    geometry.setIndex(new BufferAttribute(mesh.faces, 1));
    this.#body.geometry = geometry;
    const line = new BufferGeometry();
    for (const name of ["position", "normal"]) line.setAttribute(name, geometry.getAttribute(name));
    line.setIndex(new BufferAttribute(outlinedFaces(mesh), 1));
    this.#line.geometry.dispose();
    this.#line.geometry = line;
  }

  #draw(): void {
    const { width, height } = this.#renderer.domElement;
    const ratio = this.#renderer.getPixelRatio();
    const each = width / ratio / Math.max(1, this.#pictures.length);
    this.#renderer.shadowMap.autoUpdate = true;
    this.#pictures.forEach((picture, number) => {
      this.#aim(picture, each / (height / ratio));
      this.#renderer.setViewport(number * each, 0, each, height / ratio);
      this.#renderer.setScissor(number * each, 0, each, height / ratio);
      this.#renderer.render(this.#scene, this.#camera);
    });
  }

  /** Looks from a picture's place; the whole picture is shown in the middle of a field of another shape. */
  #aim({ camera: { azimuth, elevation }, left, top, wide, high }: Picture, shape: number): void {
    const [a, e] = [(azimuth * Math.PI) / 180, (elevation * Math.PI) / 180];
    const towards = new Vector3(Math.cos(a) * Math.cos(e), Math.sin(e), Math.sin(a) * Math.cos(e));
    const up = new Vector3(-Math.cos(a) * Math.sin(e), Math.cos(e), -Math.sin(a) * Math.sin(e));
    const fit = wide / high > shape ? { wide, high: wide / shape } : { wide: high * shape, high };
    const [centre, middle] = [left + wide / 2, top - high / 2];
    Object.assign(this.#camera, {
      left: centre - fit.wide / 2,
      right: centre + fit.wide / 2,
      top: middle + fit.high / 2,
      bottom: middle - fit.high / 2,
      near: 0.01,
      far: 2 * DEPTH,
    });
    this.#camera.updateProjectionMatrix();
    this.#camera.position.copy(towards).multiplyScalar(DEPTH);
    this.#camera.up.copy(up);
    this.#camera.lookAt(0, 0, 0);
    this.#lights.aim(azimuth, this.#floor.position);
    this.#plain.aim(azimuth);
  }
}
