/** Names of renderers that draw with the processor alone. */
const SOFTWARE = /swiftshader|llvmpipe|softpipe|software|basic render/i;

/** Whether the browser draws in space without a graphics processor, which the name of its renderer tells. */
export function drawsBySoftware(): boolean {
  const context = document.createElement("canvas").getContext("webgl2");
  if (!context) return false;
  const named = context.getExtension("WEBGL_debug_renderer_info")?.UNMASKED_RENDERER_WEBGL ?? context.RENDERER;
  const found = SOFTWARE.test(String(context.getParameter(named)));
  // A browser keeps only so many contexts.
  context.getExtension("WEBGL_lose_context")?.loseContext();
  return found;
}
