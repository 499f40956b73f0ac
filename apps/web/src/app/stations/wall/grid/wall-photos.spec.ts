import { WallPhotos } from './wall-photos';

interface Made {
  closed: boolean;
}

/** jsdom has no pictures: these know only whether they were let go of. */
function fakePictures(): { asked: string[]; answers: Map<string, (isThere: boolean) => void> } {
  const [asked, answers] = [[] as string[], new Map<string, (isThere: boolean) => void>()];
  const picture = (): Made & { width: number; height: number; close: () => void } => {
    const made = { width: 300, height: 200, closed: false, close: () => void (made.closed = true) };
    return made;
  };
  const pen = { beginPath: jest.fn(), roundRect: jest.fn(), clip: jest.fn(), drawImage: jest.fn() };
  Object.assign(globalThis, {
    fetch: (url: string) => {
      asked.push(url);
      return new Promise((answer) => answers.set(url, (ok) => answer({ ok, blob: () => Promise.resolve({}) })));
    },
    createImageBitmap: () => Promise.resolve(picture()),
    OffscreenCanvas: class {
      getContext = (): unknown => pen;
      transferToImageBitmap = picture;
    },
  });
  return { asked, answers };
}

const settled = (): Promise<void> => new Promise((done) => setTimeout(done));

describe('photos of the wall', () => {
  let arrived: jest.Mock;
  let photos: WallPhotos;
  let fake: ReturnType<typeof fakePictures>;
  beforeEach(() => {
    fake = fakePictures();
    arrived = jest.fn();
    photos = new WallPhotos(arrived);
  });

  const draw = (urls: readonly string[], sidePx = 60, isAny = false): (ImageBitmap | undefined)[] => {
    photos.begin();
    const drawn = urls.map((url) => photos.square(url, sidePx, isAny));
    photos.end();
    return drawn;
  };
  const come = async (url: string, isThere = true): Promise<void> => {
    fake.answers.get(url)!(isThere);
    await settled();
  };

  it('a photo is fetched once, and the wall is drawn again when it is there', async () => {
    expect(draw(['a'])).toEqual([undefined]);
    draw(['a']);
    expect(fake.asked).toEqual(['a']);
    await come('a');
    expect(arrived).toHaveBeenCalledTimes(1);
    expect(draw(['a'])[0]).toBeDefined();
    expect(fake.asked).toEqual(['a']);
  });

  it('what was scrolled past while others came is not fetched', async () => {
    draw(['1', '2', '3', '4', '5', '6', 'past']);
    expect(fake.asked).toHaveLength(6);
    expect(fake.asked).not.toContain('1');
    draw(['here']);
    await come('past');
    expect(fake.asked.slice(6)).toEqual(['here']);
  });

  it('while cells grow, a photo of another size will do; when they stand still, the right one is fetched', async () => {
    draw(['a'], 60);
    await come('a');
    expect(draw(['a'], 71, true)[0]).toBeDefined();
    expect(fake.asked).toEqual(['a']);
    expect(draw(['a'], 71)[0]).toBeDefined();
    expect(fake.asked).toEqual(['a', 'a']);
  });

  it('a photo that cannot be fetched is left alone until the network is back', async () => {
    draw(['a']);
    await come('a', false);
    draw(['a']);
    expect(fake.asked).toEqual(['a']);
    photos.retry();
    expect(arrived).toHaveBeenCalledTimes(1);
    draw(['a']);
    expect(fake.asked).toEqual(['a', 'a']);
  });

  it('a thousand photos are not kept for ever, but what is seen is', async () => {
    const urls = Array.from({ length: 900 }, (_, at) => `${at}`);
    for (let waiting = draw(urls); waiting.includes(undefined); waiting = draw(urls)) for (const url of fake.asked.splice(0)) await come(url);
    const all = draw(urls) as unknown as Made[];
    expect(all.every(({ closed }) => !closed)).toBe(true);
    draw(urls.slice(0, 50));
    expect(all.filter(({ closed }) => closed)).toHaveLength(100);
    expect(all.slice(0, 50).every(({ closed }) => !closed)).toBe(true);
  });

  it('one that comes after the wall was left is let go of', async () => {
    draw(['a']);
    photos.close();
    await come('a');
    expect(arrived).not.toHaveBeenCalled();
  });
});
