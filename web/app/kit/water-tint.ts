import type { Color, MeshLambertMaterial } from "three";

/** Below the waterline the body takes the water's colour; a pale line runs where the surface meets it. */
export function tintUnderWater(
  material: MeshLambertMaterial,
  water: { readonly height: { value: number }; readonly colour: { value: Color } },
): void {
  material.onBeforeCompile = (shader) => {
    shader.uniforms["waterHeight"] = water.height;
    shader.uniforms["waterColour"] = water.colour;
    shader.vertexShader = shader.vertexShader
      .replace("#include <common>", "#include <common>\nvarying float overFloor;")
      .replace("#include <begin_vertex>", "#include <begin_vertex>\noverFloor = position.y;");
    shader.fragmentShader = shader.fragmentShader
      .replace(
        "#include <common>",
        "#include <common>\nvarying float overFloor;\nuniform float waterHeight;\nuniform vec3 waterColour;",
      )
      .replace(
        "#include <dithering_fragment>",
        `#include <dithering_fragment>
        if (overFloor < waterHeight) gl_FragColor.rgb = mix(gl_FragColor.rgb, waterColour, 0.48);
        gl_FragColor.rgb = mix(vec3(0.94, 1.0, 1.0), gl_FragColor.rgb, smoothstep(0.002, 0.005, abs(overFloor - waterHeight)));`,
      );
  };
}
