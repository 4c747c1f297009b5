import { WebGLRenderer } from 'three';

/** Smooth edges where there is a graphics card for them. @throws Error where there is no WebGL */
export function rendererOn(canvas: HTMLCanvasElement): { readonly renderer: WebGLRenderer; readonly isSlow: boolean } {
  const isSlow = drawsInSoftware();
  return { renderer: new WebGLRenderer({ canvas, alpha: true, antialias: !isSlow }), isSlow };
}

/** Whether the browser itself draws, without a graphics card. */
function drawsInSoftware(): boolean {
  const probe = document.createElement('canvas').getContext('webgl2');
  const named = probe?.getExtension('WEBGL_debug_renderer_info');
  const name = probe && named ? String(probe.getParameter(named.UNMASKED_RENDERER_WEBGL)) : '';
  probe?.getExtension('WEBGL_lose_context')?.loseContext();
  return /swiftshader|llvmpipe|software|basic render/i.test(name);
}
