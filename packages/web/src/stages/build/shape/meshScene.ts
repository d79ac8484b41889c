import type { MeshCut, MeshLoad, Point, SpaceAxis } from '@anvilstone/core/shapes';
import {
  AmbientLight,
  ArrowHelper,
  BufferAttribute,
  BufferGeometry,
  DirectionalLight,
  DoubleSide,
  Group,
  LineBasicMaterial,
  LineLoop,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  OrthographicCamera,
  PlaneGeometry,
  Raycaster,
  Scene,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import type { OpenMesh } from './useMesh.ts';

interface Shown {
  load: MeshLoad;
  atMm: number;
  cut: MeshCut | undefined;
  /** The axis along which it is built up. */
  up: SpaceAxis;
}

export interface MeshScene {
  look(from: readonly [number, number, number]): void;
  show(shown: Shown): void;
  dispose(): void;
}

/** Moved less than this between press and release, the pointer clicked, px. */
const CLICK_PX = 4;

/** Colours of the page’s own ground, so that light and dark hold here as well. */
const colourOf = (holder: Element, name: string) =>
  getComputedStyle(holder).getPropertyValue(`--${name}`).trim() || '#888';

/**
 * Draws a mesh into an element, the z-axis upwards, and asks for a picture only when something has moved.
 * @throws Error when the browser has no WebGL
 */
export function meshScene(
  holder: HTMLElement,
  { vertices, triangles, report }: OpenMesh,
  onPick: (point: [number, number, number]) => void,
): MeshScene {
  const renderer = new WebGLRenderer({ antialias: true, alpha: true });
  renderer.setPixelRatio(globalThis.devicePixelRatio);
  holder.append(renderer.domElement);
  const low = new Vector3(...report.lowMm);
  const high = new Vector3(...report.highMm);
  const middle = low.clone().add(high).multiplyScalar(0.5);
  const reach = high.clone().sub(low).length() / 2;

  const scene = new Scene();
  scene.add(new AmbientLight(0xffffff, 1.4));
  const lamp = new DirectionalLight(0xffffff, 2.2);
  scene.add(lamp);
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(vertices, 3));
  geometry.setIndex(new BufferAttribute(triangles, 1));
  const body = new Mesh(
    geometry,
    new MeshStandardMaterial({ color: 0xa8a29a, roughness: 0.85, flatShading: true, side: DoubleSide }),
  );
  scene.add(body);
  const marks = new Group();
  scene.add(marks);

  const camera = new OrthographicCamera(-1, 1, 1, -1, -20 * reach, 20 * reach);
  camera.up.set(0, 0, 1);
  const controls = new OrbitControls(camera, renderer.domElement);
  controls.target.copy(middle);
  let wanted = false;
  const draw = () => {
    if (wanted) return;
    wanted = true;
    requestAnimationFrame(() => {
      wanted = false;
      lamp.position
        .copy(camera.position)
        .sub(middle)
        .add(new Vector3(reach, 0, reach));
      renderer.render(scene, camera);
    });
  };
  controls.addEventListener('change', draw);
  const resize = () => {
    const { clientWidth: width, clientHeight: height } = holder;
    if (width === 0 || height === 0) return;
    renderer.setSize(width, height);
    const half = 0.85 * reach;
    const aspect = width / height;
    Object.assign(camera, { left: -half * aspect, right: half * aspect, top: half, bottom: -half });
    camera.updateProjectionMatrix();
    draw();
  };
  const watcher = new ResizeObserver(resize);
  watcher.observe(holder);
  const stopPicking = listenForPicks(renderer.domElement, camera, body, onPick);

  return {
    look([x, y, z]) {
      camera.position.copy(middle).add(new Vector3(x, y, z).normalize().multiplyScalar(4 * reach));
      camera.zoom = 1;
      camera.updateProjectionMatrix();
      controls.target.copy(middle);
      controls.update();
      draw();
    },
    show(shown) {
      for (const mark of [...marks.children]) {
        marks.remove(mark);
        disposeOf(mark);
      }
      marks.add(...marksOf(shown, { middle, low, high, reach }, colourOf(holder, 'ember'), colourOf(holder, 'ink')));
      draw();
    },
    dispose() {
      stopPicking();
      watcher.disconnect();
      controls.dispose();
      geometry.dispose();
      body.material.dispose();
      renderer.dispose();
      renderer.domElement.remove();
    },
  };
}

function listenForPicks(
  canvas: HTMLCanvasElement,
  camera: OrthographicCamera,
  body: Mesh,
  onPick: (point: [number, number, number]) => void,
): () => void {
  let pressed: { x: number; y: number } | undefined;
  const press = (event: PointerEvent) => {
    pressed = { x: event.clientX, y: event.clientY };
  };
  const release = (event: PointerEvent) => {
    if (!pressed || Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) > CLICK_PX) return;
    const box = canvas.getBoundingClientRect();
    const at = new Vector2(
      (2 * (event.clientX - box.left)) / box.width - 1,
      1 - (2 * (event.clientY - box.top)) / box.height,
    );
    const ray = new Raycaster();
    ray.setFromCamera(at, camera);
    const [hit] = ray.intersectObject(body);
    if (hit) onPick([hit.point.x, hit.point.y, hit.point.z]);
  };
  canvas.addEventListener('pointerdown', press);
  canvas.addEventListener('pointerup', release);
  return () => {
    canvas.removeEventListener('pointerdown', press);
    canvas.removeEventListener('pointerup', release);
  };
}

interface Box {
  middle: Vector3;
  low: Vector3;
  high: Vector3;
  reach: number;
}

const unit = (axis: 0 | 1 | 2) =>
  new Vector3(...([0, 1, 2].map((one) => (one === axis ? 1 : 0)) as [number, number, number]));

/** The plane, the outline it cuts, and the load where it acts. */
function marksOf({ load, atMm, cut, up }: Shown, { middle, low, high, reach }: Box, ember: string, ink: string) {
  const plane = new Mesh(
    new PlaneGeometry(1, 1),
    new MeshBasicMaterial({ color: ember, transparent: true, opacity: 0.16, side: DoubleSide, depthWrite: false }),
  );
  const across = ([0, 1, 2] as const).filter((axis) => axis !== load.along);
  const wide = Math.max(...across.map((axis) => high.getComponent(axis) - low.getComponent(axis))) * 1.3;
  plane.scale.set(wide, wide, 1);
  plane.quaternion.setFromUnitVectors(new Vector3(0, 0, 1), unit(load.along));
  plane.position.copy(middle).setComponent(load.along, atMm);
  const outlines = (cut?.section.loops ?? []).map((loop) => {
    const { u, v, plane: where } = cut!.section;
    const spot = ([a, b]: readonly [number, number]) =>
      new Vector3(...(where.at.map((value, i) => value + a * u[i]! + b * v[i]!) as unknown as Point));
    const line = new LineLoop(
      new BufferGeometry().setFromPoints(loop.map(spot)),
      new LineBasicMaterial({ color: ember, depthTest: false }),
    );
    line.renderOrder = 2;
    return line;
  });
  const push = unit(load.push).multiplyScalar(-1);
  const foot = middle
    .clone()
    .setComponent(load.along, load.loadAtMm)
    .setComponent(load.push, high.getComponent(load.push));
  const arrow = new ArrowHelper(
    push,
    foot.sub(push.clone().multiplyScalar(0.5 * reach)),
    0.5 * reach,
    ember,
    0.14 * reach,
    0.08 * reach,
  );
  return [plane, ...outlines, arrow, ...layersOf({ middle, low, high, reach }, up, ink)];
}

const LAYERS_SHOWN = 9;

/** A few layers as frames around the part, and the way it grows: enough to see how they lie, far fewer than there are. */
function layersOf({ low, high, reach }: Box, up: SpaceAxis, ink: string) {
  const [a, b] = ([0, 1, 2] as const).filter((axis) => axis !== up) as [SpaceAxis, SpaceAxis];
  const frames = Array.from({ length: LAYERS_SHOWN }, (_, i) => {
    const height = low.getComponent(up) + ((i + 0.5) / LAYERS_SHOWN) * (high.getComponent(up) - low.getComponent(up));
    const corner = (one: Vector3, other: Vector3) =>
      new Vector3()
        .setComponent(up, height)
        .setComponent(a, one.getComponent(a))
        .setComponent(b, other.getComponent(b));
    const corners = [corner(low, low), corner(high, low), corner(high, high), corner(low, high)];
    const line = new LineLoop(
      new BufferGeometry().setFromPoints(corners),
      new LineBasicMaterial({ color: ink, transparent: true, opacity: 0.25 }),
    );
    return line;
  });
  const grows = new ArrowHelper(
    unit(up),
    low,
    high.getComponent(up) - low.getComponent(up) + 0.25 * reach,
    ink,
    0.1 * reach,
    0.05 * reach,
  );
  return [...frames, grows];
}

function disposeOf(mark: unknown): void {
  const { geometry, material } = mark as Partial<Mesh>;
  geometry?.dispose();
  if (material && !Array.isArray(material)) material.dispose();
  if (mark instanceof ArrowHelper) mark.dispose();
}
