import {
  isBand,
  isOnWall,
  isOutside,
  bowMm,
  edgeOffsetMm,
  rimIsApart,
  tallMm,
  type EdgeLine,
  type Layer,
  type PiecePlan,
  type PieceShape,
  type Turn,
  insideProfile,
} from '@cazuela/core';
import {
  AmbientLight,
  BoxGeometry,
  CanvasTexture,
  CubicBezierCurve3,
  DirectionalLight,
  DoubleSide,
  Group,
  LatheGeometry,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Scene,
  SRGBColorSpace,
  TubeGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three';
import { handleColourOf } from '../../../../parts/piece-drawing/colours';

const ROUND_PARTS = 72;
const SKIN = { wide: 720, high: 480 };
const WAX_COLOUR = '#cfc6b4';

export interface RoundQuestion {
  shape: PieceShape;
  plan: PiecePlan;
  colours: ReadonlyMap<string, string>;
  clay: string;
}

/** The piece in 3D: turned from its profile, with its zones round it. Drawn only when something changed. */
export class RoundPicture {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(32, 1, 1, 5000);
  private piece = new Group();
  private turn = 0;
  private lean = 0.28;

  constructor(canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
    this.renderer.setPixelRatio(Math.min(2, globalThis.devicePixelRatio || 1));
    const sun = new DirectionalLight(0xffffff, 2.2);
    sun.position.set(-200, 400, 500);
    this.scene.add(new AmbientLight(0xffffff, 1.5), sun, this.piece);
  }

  show(question: RoundQuestion): void {
    this.scene.remove(this.piece);
    this.clear();
    this.piece = made(question);
    this.scene.add(this.piece);
    const high = tallMm(question.shape);
    const wide = question.shape.outside.reduce((most, point) => Math.max(most, point.radiusMm), question.shape.slabMm ?? 0);
    this.camera.position.set(0, high * 0.5, Math.max(high, 2 * wide) * 2.5);
    this.camera.lookAt(0, high / 2, 0);
    this.draw();
  }

  /** By so many radians round, and up or down. */
  rotate(round: number, up: number): void {
    this.turn += round;
    this.lean = Math.min(1.2, Math.max(-0.6, this.lean + up));
    this.draw();
  }

  size(wide: number, high: number): void {
    this.renderer.setSize(wide, high, false);
    this.camera.aspect = wide / Math.max(1, high);
    this.camera.updateProjectionMatrix();
    this.draw();
  }

  end(): void {
    this.clear();
    this.renderer.dispose();
  }

  private draw(): void {
    this.piece.rotation.set(this.lean, this.turn, 0);
    this.renderer.render(this.scene, this.camera);
  }

  private clear(): void {
    this.piece.traverse((part) => {
      if (!(part instanceof Mesh)) return;
      const mesh = part as Mesh<LatheGeometry, MeshStandardMaterial>;
      mesh.geometry.dispose();
      mesh.material.map?.dispose();
      mesh.material.dispose();
    });
  }
}

function made(question: RoundQuestion): Group {
  const { shape, plan, colours, clay } = question;
  const group = new Group();
  const skin = new CanvasTexture(paintedSkin(question));
  skin.colorSpace = SRGBColorSpace;
  const outer = new MeshStandardMaterial({ map: skin, roughness: 0.45, side: DoubleSide });
  if (shape.slabMm !== undefined) {
    group.add(new Mesh(new BoxGeometry(shape.slabMm, tallMm(shape), shape.wallMm).translate(0, tallMm(shape) / 2, 0), outer));
    return group;
  }
  group.add(new Mesh(new LatheGeometry(shape.outside.map(vector), ROUND_PARTS), outer));
  const liner = plan.zones.inside.at(-1);
  const inner = new MeshStandardMaterial({ color: (liner && colours.get(liner.bucketId)) ?? clay, roughness: 0.4, side: DoubleSide });
  group.add(new Mesh(new LatheGeometry([...insideProfile(shape).map(vector), vector(shape.outside.at(-1)!)], ROUND_PARTS), inner));
  const foot = [new Vector2((shape.holeMm ?? 0) / 2, 0), vector(shape.outside[0]!)];
  group.add(new Mesh(new LatheGeometry(foot, ROUND_PARTS), new MeshStandardMaterial({ color: clay, side: DoubleSide })));
  if (shape.grip) {
    const { upperMm, lowerMm, outMm, widthMm, thickMm, kind } = shape.grip;
    const material = new MeshStandardMaterial({ color: handleColourOf(plan, colours, clay), roughness: 0.45 });
    for (const side of kind === 'lugs' ? [1, -1] : [1]) {
      const [from, to] = [radiusAt(shape, upperMm) - 2, radiusAt(shape, lowerMm) - 2];
      const out = Math.max(from, to) + outMm * 1.3;
      const bow = new CubicBezierCurve3(
        new Vector3(side * from, upperMm, 0),
        new Vector3(side * out, upperMm, 0),
        new Vector3(side * out, lowerMm, 0),
        new Vector3(side * to, lowerMm, 0),
      );
      const parts = Math.max(12, Math.round(bowMm(shape.grip) / 4));
      const tube = new TubeGeometry(bow, parts, thickMm / 2, 12);
      // As wide as the strip is, seen from the front.
      tube.scale(1, 1, widthMm / thickMm);
      group.add(new Mesh(tube, material));
    }
  }
  return group;
}

/** The outside unrolled: round from left to right, up by height along the outline. */
function paintedSkin({ shape, plan, colours, clay }: RoundQuestion): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [SKIN.wide, SKIN.high];
  const paper = canvas.getContext('2d')!;
  const top = tallMm(shape);
  paper.fillStyle = clay;
  paper.fillRect(0, 0, SKIN.wide, SKIN.high);
  const y = heightToSkin(shape);
  const colour = (layer: Layer): string => colours.get(layer.bucketId) ?? '#999999';
  const band = (fill: string, fromMm: number, toMm: number, from?: EdgeLine, to?: EdgeLine, turn?: Turn): void => {
    paper.fillStyle = fill;
    for (let x = 0; x < SKIN.wide; x++) {
      const share = x / SKIN.wide;
      if (turn && !within(share, turn)) continue;
      const [low, high] = [y(fromMm + edgeOffsetMm(from, share)), y(toMm + edgeOffsetMm(to, share))];
      paper.fillRect(x, high, 1, Math.max(0, low - high));
    }
  };
  const { zones, waxFootMm, rimBandMm, edges, strips = [], masks = [] } = plan;
  const apart = rimIsApart(plan);
  const rimFrom = Math.max(waxFootMm, top - rimBandMm);
  const [outside, rim, foot] = [zones.outside.at(-1), zones.rim.at(-1), zones.foot.at(-1)];
  if (outside) band(colour(outside), waxFootMm, apart ? rimFrom : top, edges?.wax, apart ? edges?.rim : undefined);
  if (rim) band(colour(rim), rimFrom, top, edges?.rim);
  for (const strip of strips.filter(isOnWall)) {
    const layer = strip.layers.at(-1);
    if (layer) band(colour(layer), strip.fromMm, strip.toMm, strip.edge, strip.edge, strip.turn);
  }
  if (foot && waxFootMm === 0) band(colour(foot), 0, 3);
  for (const mask of masks)
    if (isBand(mask) && isOutside(mask)) band(mask.overLayerId ? WAX_COLOUR : clay, mask.fromMm, mask.toMm, undefined, undefined, mask.turn);
  return canvas;
}

/** The texture is laid evenly by points of the outline, not by height. */
function heightToSkin(shape: PieceShape): (heightMm: number) => number {
  const { outside } = shape;
  return (heightMm) => {
    for (let at = 1; at < outside.length; at++) {
      const [a, b] = [outside[at - 1]!, outside[at]!];
      if (heightMm > b.heightMm) continue;
      const share = b.heightMm > a.heightMm ? Math.max(0, (heightMm - a.heightMm) / (b.heightMm - a.heightMm)) : 0;
      return SKIN.high * (1 - (at - 1 + share) / (outside.length - 1));
    }
    return 0;
  };
}

function radiusAt({ outside }: PieceShape, heightMm: number): number {
  const at = outside.findIndex((point) => point.heightMm >= heightMm);
  return outside[Math.max(0, at)]?.radiusMm ?? 0;
}

const within = (share: number, { from, to }: Turn): boolean => (from <= to ? share >= from && share <= to : share >= from || share <= to);
const vector = ({ radiusMm, heightMm }: { radiusMm: number; heightMm: number }): Vector2 => new Vector2(Math.max(0.01, radiusMm), heightMm);
