package wistel.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Margins;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PictureFile;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.PictureLight;
import wistel.core.render.Sharpener;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/** A page of A2 at 360 dpi with a hundred pictures of forty masters, a third of them turned, beside one picture of that area. */
final class TogetherBench {
    private static final double WIDTH = 420;
    private static final double HEIGHT = 594;
    private static final int DPI = 360;
    private static final int MASTERS = 40;
    private static final int ACROSS = 10;
    private static final int DOWN = 10;
    private static final int ROUNDS = 2;

    private final List<PictureFile> masters = new ArrayList<>();
    private final Transform conversion;
    private final ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());

    private TogetherBench() throws IOException {
        List<Path> files;
        try (Stream<Path> all = Files.list(Path.of("demo/pictures"))) {
            files = all.filter(f -> f.toString().endsWith(".jpg")).sorted().toList();
        }
        for (int i = 0; i < MASTERS; i++) {
            masters.add(PrintBench.open(files.get(i % files.size())));
        }
        IccProfile paper = ProfileReader.read(Files.readAllBytes(Path.of("demo/profiles/skerry-baryta.icc")));
        conversion = TransformCompiler.compile(new Recipe.Convert(StandardSpaces.SRGB, paper, Intent.RELATIVE, true, Observer.ADAPTED));
    }

    static void run() throws IOException {
        TogetherBench bench = new TogetherBench();
        for (int round = 0; round < ROUNDS; round++) {
            bench.page("peer: one picture", bench.one());
            bench.page("forty pictures, each once", bench.many(MASTERS));
            bench.page("a hundred of forty masters", bench.many(ACROSS * DOWN));
        }
        bench.workers.shutdown();
    }

    private List<Placed> one() {
        PictureFile m = masters.get(0);
        Crop crop = Crop.whole(m.facts().width(), m.facts().height()).shaped(WIDTH / HEIGHT, 0.5, 0.5);
        return List.of(new Placed("r0", crop, 0, new Rect(0, 0, WIDTH, HEIGHT), Orientation.UPRIGHT));
    }

    private List<Placed> many(int pieces) {
        List<Placed> placed = new ArrayList<>();
        double w = WIDTH / ACROSS;
        double h = HEIGHT / DOWN;
        for (int i = 0; i < pieces; i++) {
            PictureFile m = masters.get(i % MASTERS);
            Orientation turn = i % 3 == 2 ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
            Crop crop = Crop.whole(m.facts().width(), m.facts().height()).shaped(turn == Orientation.UPRIGHT ? w / h : h / w, 0.5, 0.5);
            placed.add(new Placed("i" + i, "i" + i, "r" + i % MASTERS, crop, 0, new Rect(i % ACROSS * w, i / ACROSS * h, w, h), turn,
                Optional.empty(), Optional.empty()));
        }
        return placed;
    }

    private void page(String what, List<Placed> placed) throws IOException {
        Page page = Page.of(WIDTH, HEIGHT, Margins.NONE, Orientation.UPRIGHT, placed, List.of());
        Map<String, LayoutRenderer.Picture> pictures = new HashMap<>();
        for (int i = 0; i < MASTERS; i++) {
            pictures.put("r" + i, new LayoutRenderer.Picture(masters.get(i).rows(), masters.get(i).facts().orientation(),
                PictureLight.of(StandardSpaces.SRGB), new float[0], conversion));
        }
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(page, pictures, DPI, Double.POSITIVE_INFINITY, Sharpener.NONE);
        AtomicLong scratch = new AtomicLong();
        List<FileChannel> open = new ArrayList<>();
        PrintBench.resetPeak();
        long start = System.nanoTime();
        PrintBench.render(job, workers, spool -> {
            open.add(spool);
            return spool;
        }, share -> scratch.accumulateAndGet(bytes(open), Math::max));
        PrintBench.report(what + ", " + job.width() + " x " + job.height() + ", scratch at most " + (scratch.get() >> 20) + " MB", start,
            0);
    }

    private static long bytes(List<FileChannel> open) {
        long bytes = 0;
        for (FileChannel channel : open) {
            try {
                bytes += channel.isOpen() ? channel.size() : 0;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return bytes;
    }
}
