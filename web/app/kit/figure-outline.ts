import type { Mesh as FigureMesh } from "@able-tide/core/figure/mesh";
import { MATERIALS, WITHIN_SKIN } from "@able-tide/core/figure/part";
import { BackSide, type Color, ShaderMaterial } from "three";

/** Thickness of the line round each part, share of stature. */
const THICKNESS = 0.0032;

/** Numbers of the materials that no line is drawn round. */
const UNLINED = WITHIN_SKIN.map((name) => MATERIALS.indexOf(name));

/**
 * Draws the line round each part: the inside of the same surface, a little larger, so that it is seen only beyond the edges.
 *
 * @param colour of the line
 */
export const outlineMaterial = (colour: { value: Color }): ShaderMaterial =>
  new ShaderMaterial({
    side: BackSide,
    uniforms: { colour },
    vertexShader: `
      void main() {
        gl_Position = projectionMatrix * modelViewMatrix * vec4(position + ${THICKNESS} * normal, 1.0);
      }`,
    fragmentShader: `
      uniform vec3 colour;
      void main() {
        gl_FragColor = vec4(colour, 1.0);
        #include <colorspace_fragment>
      }`,
  });

/** The faces of a mesh that a line is drawn round, three corners each. */
export const outlinedFaces = ({ faces, materials }: FigureMesh): Uint32Array =>
  faces.filter((_, i) => !UNLINED.includes(materials[faces[i - (i % 3)] ?? 0] ?? 0));
