import { type Box, laidLines, type Rig, shapeHeight, standingOn } from '@pozzo/core';
import { MACHINES } from './deck-layout';
import {
  AmbientLight,
  BoxGeometry,
  CatmullRomCurve3,
  Color,
  CylinderGeometry,
  DirectionalLight,
  EdgesGeometry,
  GridHelper,
  Group,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  type Object3D,
  PerspectiveCamera,
  Scene,
  TubeGeometry,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';

/** Colours of the theme, as CSS writes them. */
export interface SceneColours {
  readonly ink: string;
  readonly ground: string;
  readonly deck: string;
  readonly card: string;
  readonly water: string;
  readonly chem: string;
  readonly machine: string;
  readonly line: string;
}

/** The rig in three dimensions. x along the deck, y up, z across it: the kerb is at +z, nearest when one looks from there. */
export class DeckScene {
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(38, 1, 0.05, 100);
  private readonly renderer: WebGLRenderer;
  private readonly controls: OrbitControls;
  private readonly watch: ResizeObserver;
  private rigGroup = new Group();
  private placed = false;

  constructor(private readonly box: HTMLElement) {
    this.renderer = new WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
    this.renderer.setPixelRatio(Math.min(devicePixelRatio, 2));
    box.append(this.renderer.domElement);
    this.controls = new OrbitControls(this.camera, this.renderer.domElement);
    this.controls.maxPolarAngle = Math.PI / 2 - 0.03;
    this.controls.addEventListener('change', () => this.draw());
    const sun = new DirectionalLight(0xffffff, 2.1);
    sun.position.set(-4, 9, 6);
    this.scene.add(new AmbientLight(0xffffff, 1.5), sun, this.rigGroup);
    this.watch = new ResizeObserver(() => this.resize());
    this.watch.observe(box);
  }

  private resize(): void {
    const { clientWidth: w, clientHeight: h } = this.box;
    if (!w || !h) return;
    this.renderer.setSize(w, h);
    this.camera.aspect = w / h;
    this.camera.updateProjectionMatrix();
    this.draw();
  }

  private draw(): void {
    this.renderer.render(this.scene, this.camera);
  }

  /** Builds the rig anew: everything that stands on the deck, liquids as high as they stand. */
  show(rig: Rig, levels: readonly number[], colours: SceneColours): void {
    this.clear();
    const p = rig.platform;
    if (!p) return;
    this.scene.background = new Color(colours.ground);
    const group = this.rigGroup;
    const solid = (colour: string, opacity = 1) => new MeshLambertMaterial({ color: new Color(colour), transparent: opacity < 1, opacity });
    const block = (b: Box, colour: string, opacity = 1): void => {
      const geometry = new BoxGeometry(b.x1 - b.x0, b.z1 - b.z0, b.y1 - b.y0);
      const mesh = new Mesh(geometry, solid(colour, opacity));
      mesh.position.set((b.x0 + b.x1) / 2, p.height + (b.z0 + b.z1) / 2, p.width - (b.y0 + b.y1) / 2);
      const edges = new LineSegments(new EdgesGeometry(geometry), new LineBasicMaterial({ color: new Color(colours.ink) }));
      edges.position.copy(mesh.position);
      group.add(mesh, edges);
    };
    block({ x0: 0, x1: p.length, y0: 0, y1: p.width, z0: -0.08, z1: 0 }, colours.deck);
    if (p.rail) for (const y of [-0.02, p.width]) block({ x0: 0, x1: p.length, y0: y, y1: y + 0.02, z0: p.rail - 0.05, z1: p.rail }, colours.machine);
    if (p.headroom !== undefined) {
      const frame = new LineSegments(
        new EdgesGeometry(new BoxGeometry(p.length, p.headroom, p.width)),
        new LineBasicMaterial({ color: new Color(colours.machine) }),
      );
      frame.position.set(p.length / 2, p.height + p.headroom / 2, p.width / 2);
      group.add(frame);
    }
    for (const a of p.axles)
      for (const side of [-1, 1]) {
        const r = Math.min(Math.max(0.32, p.height * 0.46), 0.5, p.height * 0.9);
        const wheel = new Mesh(new CylinderGeometry(r, r, 0.2, 28), solid(colours.machine));
        wheel.rotation.x = Math.PI / 2;
        wheel.position.set(a.at, r, p.width / 2 + (side * a.track) / 2);
        group.add(wheel);
      }
    if (p.coupling) block({ x0: -p.coupling.ahead, x1: 0, y0: p.width / 2 - 0.05, y1: p.width / 2 + 0.05, z0: -0.14, z1: -0.04 }, colours.machine);
    if (!p.coupling) {
      // The cab of what drives by itself, and the frame under its deck.
      const nose = Math.min(...p.axles.map((a) => a.at)) - 0.8;
      const up = (z: number): number => z - p.height;
      block({ x0: nose, x1: -0.1, y0: 0.12, y1: p.width - 0.12, z0: up(0.45), z1: up(1.15) }, colours.card);
      block({ x0: nose * 0.62, x1: -0.1, y0: 0.18, y1: p.width - 0.18, z0: up(1.15), z1: up(2.0) }, colours.deck);
      block({ x0: nose * 0.5, x1: p.length, y0: 0.35 * p.width, y1: 0.65 * p.width, z0: -0.28, z1: -0.08 }, colours.machine);
    }
    const things = standingOn(rig);
    for (const t of things) {
      if (!t.box) continue;
      const tank = rig.tanks.findIndex((x) => x.id === t.id);
      const shelf = rig.gear.some((g) => g.id === t.id && g.kind === 'shelf');
      if (tank >= 0) {
        const own = rig.tanks[tank];
        const share = Math.min(levels[tank] / shapeHeight(own.shape), 1);
        if (share > 0.005)
          this.tank(
            rig,
            tank,
            { ...t.box, z1: t.box.z0 + (t.box.z1 - t.box.z0) * share },
            own.liquid === 'chemical' ? colours.chem : colours.water,
            0.9,
            0.985,
          );
        this.tank(rig, tank, t.box, colours.card, 0.35, 1);
      } else if (t.kind === 'reel') this.reel(t.box, p.width, p.height, colours);
      else if (shelf) {
        block({ ...t.box, z0: t.box.z1 - 0.03 }, colours.machine);
        for (const [x, y] of [
          [t.box.x0, t.box.y0],
          [t.box.x1 - 0.04, t.box.y0],
          [t.box.x0, t.box.y1 - 0.04],
          [t.box.x1 - 0.04, t.box.y1 - 0.04],
        ])
          block({ x0: x, x1: x + 0.04, y0: y, y1: y + 0.04, z0: t.box.z0, z1: t.box.z1 - 0.03 }, colours.machine);
      } else block(t.box, MACHINES.has(t.kind) ? colours.machine : colours.deck);
    }
    for (const l of laidLines(rig, things)) {
      const points = l.points
        .map((q) => new Vector3(q.x, p.height + Math.max(q.z, 0.03), p.width - q.y))
        .filter((v, i, all) => i === 0 || v.distanceTo(all[i - 1]) > 0.01);
      if (points.length < 2) continue;
      group.add(
        new Mesh(
          new TubeGeometry(new CatmullRomCurve3(points, false, 'catmullrom', 0.05), 40, 0.014, 6),
          solid(l.role === 'chemical' ? colours.chem : l.role === 'pressure' ? colours.ink : colours.water),
        ),
      );
    }
    const grid = new GridHelper(16, 16, new Color(colours.line), new Color(colours.line));
    grid.position.set(p.length / 2, 0, p.width / 2);
    group.add(grid);
    if (!this.placed) {
      this.placed = true;
      this.controls.target.set(p.length / 2, p.height + 0.3, p.width / 2);
      const far = Math.max(p.length, 2.5) * 1.25;
      this.camera.position.set(p.length / 2 + 0.45 * far, p.height + 0.55 * far, p.width / 2 + 0.95 * far);
      this.controls.update();
    }
    this.resize();
  }

  private tank(rig: Rig, index: number, b: Box, colour: string, opacity: number, shrink: number): void {
    const p = rig.platform!;
    const { shape } = rig.tanks[index];
    const [l, h, w] = [(b.x1 - b.x0) * shrink, (b.z1 - b.z0) * shrink, (b.y1 - b.y0) * shrink];
    const geometry = shape.kind === 'upright-cylinder' ? new CylinderGeometry(l / 2, l / 2, h, 36) : new BoxGeometry(l, h, w);
    const mesh = new Mesh(geometry, new MeshLambertMaterial({ color: new Color(colour), transparent: true, opacity, depthWrite: opacity > 0.5 }));
    mesh.position.set((b.x0 + b.x1) / 2, p.height + (b.z0 + b.z1) / 2, p.width - (b.y0 + b.y1) / 2);
    this.rigGroup.add(mesh);
    const edges = new LineSegments(new EdgesGeometry(geometry, 30), new LineBasicMaterial({ color: 0x667788 }));
    edges.position.copy(mesh.position);
    this.rigGroup.add(edges);
  }

  private reel(b: Box, width: number, height: number, colours: SceneColours): void {
    const [l, w] = [b.x1 - b.x0, b.y1 - b.y0];
    const r = (b.z1 - b.z0) / 2;
    const along = l >= w;
    const at = (x: number, y: number, mesh: Object3D): void => {
      if (along) mesh.rotation.z = Math.PI / 2;
      else mesh.rotation.x = Math.PI / 2;
      mesh.position.set(x, height + (b.z0 + b.z1) / 2, width - y);
      this.rigGroup.add(mesh);
    };
    const [cx, cy] = [(b.x0 + b.x1) / 2, (b.y0 + b.y1) / 2];
    const reach = along ? l : w;
    at(cx, cy, new Mesh(new CylinderGeometry(r * 0.75, r * 0.75, reach * 0.85, 28), new MeshLambertMaterial({ color: new Color(colours.ink) })));
    for (const side of [-0.44, 0.44])
      at(
        along ? cx + side * reach : cx,
        along ? cy : cy + side * reach,
        new Mesh(new CylinderGeometry(r, r, 0.02, 32), new MeshLambertMaterial({ color: new Color(colours.machine) })),
      );
  }

  /** Turns about the upright by `round`, lifts by `up`, rad; nearer below 1, farther above. */
  turn(round: number, up: number, nearer: number): void {
    const offset = this.camera.position.clone().sub(this.controls.target);
    const radius = offset.length() * nearer;
    const theta = Math.atan2(offset.x, offset.z) + round;
    const phi = Math.min(Math.max(Math.acos(offset.y / offset.length()) - up, 0.1), Math.PI / 2 - 0.03);
    this.camera.position.set(
      this.controls.target.x + radius * Math.sin(phi) * Math.sin(theta),
      this.controls.target.y + radius * Math.cos(phi),
      this.controls.target.z + radius * Math.sin(phi) * Math.cos(theta),
    );
    this.controls.update();
    this.draw();
  }

  /** Looks from a side: 0 from behind, π/2 from the street, π from the front, −π/2 from the kerb. */
  turnTo(angle: number): void {
    const offset = this.camera.position.clone().sub(this.controls.target);
    const now = Math.atan2(offset.x, offset.z);
    // Behind lies towards +x, the kerb towards +z.
    this.turn(Math.PI / 2 + angle - now, 0, 1);
  }

  /** What is seen, as a PNG. */
  still(): string {
    this.draw();
    return this.renderer.domElement.toDataURL('image/png');
  }

  private clear(): void {
    this.rigGroup.traverse((o) => {
      if (o instanceof Mesh || o instanceof LineSegments) {
        (o.geometry as BoxGeometry).dispose();
        (o.material as MeshLambertMaterial).dispose();
      }
    });
    this.scene.remove(this.rigGroup);
    this.rigGroup = new Group();
    this.scene.add(this.rigGroup);
  }

  dispose(): void {
    this.watch.disconnect();
    this.clear();
    this.controls.dispose();
    this.renderer.dispose();
    this.renderer.domElement.remove();
  }
}
