import { Color, DirectionalLight, Group, HemisphereLight, type MeshLambertMaterial, ShaderMaterial, Vector3 } from "three";

/** Light from all round, stronger from above. */
const ROUND = { sky: 0xffffff, ground: 0xa9b3a4, strength: 1.7 } as const;
/** Lamps, by where they hang: degrees aside of the onlooker and above the floor. */
const KEY = { colour: 0xfff4e2, strength: 2.1, aside: 43, raised: 50 } as const;
const RIM = { colour: 0xcfeaf2, strength: 0.7, aside: -140, raised: 25 } as const;
type Lamp = typeof KEY | typeof RIM;

/** Metres of a usual person from the body to a lamp, and the height that lamps shine at. */
const AWAY = 3;
const AIMED_AT = 0.5;

/** From the body towards a lamp. @param azimuth of the onlooker, degrees */
function towards({ aside, raised }: Lamp, azimuth: number): Vector3 {
  const [a, e] = [((azimuth + aside) * Math.PI) / 180, (raised * Math.PI) / 180];
  return new Vector3(Math.cos(a) * Math.cos(e), Math.sin(e), Math.sin(a) * Math.cos(e));
}

/** The lamps of the scene; they go round with the onlooker. */
export class FigureLights {
  readonly all = new Group();
  readonly key = new DirectionalLight(KEY.colour, KEY.strength);
  readonly #rim = new DirectionalLight(RIM.colour, RIM.strength);

  constructor(reach: number) {
    this.all.add(new HemisphereLight(ROUND.sky, ROUND.ground, ROUND.strength));
    this.all.add(this.key, this.key.target, this.#rim, this.#rim.target);
    this.key.shadow.mapSize.set(1024, 1024);
    this.key.shadow.normalBias = 0.012;
    Object.assign(this.key.shadow.camera, { left: -0.75, right: 0.75, top: 1, bottom: -0.75, near: 0.1, far: reach });
  }

  /** Hangs the lamps for a look at a body. @param azimuth of the onlooker, degrees */
  aim(azimuth: number, { x, z }: { readonly x: number; readonly z: number }): void {
    for (const [lamp, light] of [
      [KEY, this.key],
      [RIM, this.#rim],
    ] as const) {
      light.target.position.set(x, AIMED_AT, z);
      light.position.copy(towards(lamp, azimuth)).multiplyScalar(AWAY).add(light.target.position);
    }
  }
}

/** Of the surface of the water: height over the floor, share of stature, and colour. */
export interface WaterUniforms {
  readonly height: { value: number };
  readonly colour: { value: Color };
}

/** Fragment code: below the waterline the body takes the water's colour; a pale line runs where the surface meets it. */
const TINT = `
  if (overFloor < waterHeight) gl_FragColor.rgb = mix(gl_FragColor.rgb, waterColour, 0.48);
  gl_FragColor.rgb = mix(vec3(0.94, 1.0, 1.0), gl_FragColor.rgb, smoothstep(0.002, 0.005, abs(overFloor - waterHeight)));`;
const TINT_TERMS = "varying float overFloor;\nuniform float waterHeight;\nuniform vec3 waterColour;";

/** Tints what a material draws below the water. */
export function tintUnderWater(material: MeshLambertMaterial, { height, colour }: WaterUniforms): void {
  material.onBeforeCompile = (shader) => {
    Object.assign(shader.uniforms, { waterHeight: height, waterColour: colour });
    shader.vertexShader = shader.vertexShader
      .replace("#include <common>", "#include <common>\nvarying float overFloor;")
      .replace("#include <begin_vertex>", "#include <begin_vertex>\noverFloor = position.y;");
    shader.fragmentShader = shader.fragmentShader
      .replace("#include <common>", `#include <common>\n${TINT_TERMS}`)
      .replace("#include <dithering_fragment>", `#include <dithering_fragment>${TINT}`);
  };
}

/**
 * The same light worked out at the corners of the surface instead of at each of its pixels: for renderers without a graphics
 * processor.
 */
export class PlainLight {
  readonly #key = { value: new Vector3() };
  readonly #rim = { value: new Vector3() };
  readonly material: ShaderMaterial;

  constructor({ height, colour }: WaterUniforms) {
    this.material = new ShaderMaterial({
      vertexColors: true,
      uniforms: {
        keyTowards: this.#key,
        rimTowards: this.#rim,
        keyLight: { value: new Color(KEY.colour).multiplyScalar(KEY.strength / Math.PI) },
        rimLight: { value: new Color(RIM.colour).multiplyScalar(RIM.strength / Math.PI) },
        sky: { value: new Color(ROUND.sky).multiplyScalar(ROUND.strength / Math.PI) },
        ground: { value: new Color(ROUND.ground).multiplyScalar(ROUND.strength / Math.PI) },
        waterHeight: height,
        waterColour: colour,
      },
      vertexShader: `
        uniform vec3 keyTowards, rimTowards, keyLight, rimLight, sky, ground;
        varying vec3 tone;
        varying float overFloor;
        void main() {
          vec3 light = mix(ground, sky, 0.5 * normal.y + 0.5)
            + keyLight * max(dot(normal, keyTowards), 0.0) + rimLight * max(dot(normal, rimTowards), 0.0);
          tone = pow(min(color * light, 1.0), vec3(1.0 / 2.2));
          overFloor = position.y;
          gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
        }`,
      fragmentShader: `
        varying vec3 tone;
        ${TINT_TERMS}
        void main() {
          gl_FragColor = vec4(tone, 1.0);
          if (waterHeight > 0.0) { ${TINT} }
        }`,
    });
  }

  /** Hangs the lamps for a look. @param azimuth of the onlooker, degrees */
  aim(azimuth: number): void {
    this.#key.value.copy(towards(KEY, azimuth));
    this.#rim.value.copy(towards(RIM, azimuth));
  }
}
