package wistel.standin;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.cgats.Readings;
import wistel.core.icc.making.ProfileMaker;
import wistel.core.icc.making.RgbChart;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.paper.SheetSize;
import wistel.core.render.ChartSheet;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.PrintJob;
import wistel.standin.room.RoomPrinter;
import wistel.standin.room.Ticket;

/**
 * Makes the demo's paper profiles the way a person would: prints the chart on each paper, reads it with the instrument over HTTP, and
 * has core make the profile. Writes NAME.icc and NAME.cgats into a folder, and the working spaces that the demo pictures are in.
 */
final class ProfilingRun {
    private static final SheetSize SHEET = SheetSize.named("A3+").orElseThrow();

    private ProfilingRun() {
    }

    public static void main(String[] args) throws Exception {
        Path out = Path.of(args[0]);
        Files.createDirectories(out);
        Files.write(out.resolve("srgb.icc"), StandardSpaces.SRGB.bytes());
        Files.write(out.resolve("wide-rgb.icc"), StandardSpaces.WIDE_RGB.bytes());
        Files.write(out.resolve("gray-22.icc"), StandardSpaces.GRAY_22.bytes());
        Path folder = Files.createTempDirectory("profiles");
        try (PrintRoom room = new PrintRoom(folder, 0, 0)) {
            List<Session> sessions = List.of(new Session(room.printer(), Paper.SKERRY_BARYTA, ""),
                new Session(room.printer(), Paper.MOSS_COTTON, ""), new Session(room.printer(), Paper.CORRIE_LUSTRE, ""),
                new Session(room.printer(), Paper.HEATH_COTTON, ""), new Session(room.large(), Paper.TARN_CANVAS, ""),
                new Session(room.large(), Paper.CORRIE_LUSTRE, "-44"));
            for (Session s : sessions) {
                Paper paper = s.paper;
                Cgats chart = measure(room, s.printer, paper);
                String name = paper.name().toLowerCase(Locale.ROOT).replace('_', '-') + s.suffix;
                ProfileMaker.Made made = ProfileMaker.make(paper.label() + " on " + s.printer.model().name() + ", fine", chart);
                Files.writeString(out.resolve(name + ".cgats"), chart.text());
                Files.write(out.resolve(name + ".icc"), made.profile());
                System.out.printf(Locale.ROOT, "%s: %d held-back patches, CIEDE2000 mean %.2f, 95 %% %.2f, max %.2f%n", paper.label(),
                    made.quality().patches(), made.quality().mean(), made.quality().percentile95(), made.quality().max());
            }
        }
    }

    /** @param suffix of the file's name */
    private record Session(RoomPrinter printer, Paper paper, String suffix) {
    }

    static Cgats measure(PrintRoom room, RoomPrinter printer, Paper paper) throws IOException, InterruptedException {
        ChartSheet sheet = new ChartSheet(SHEET, 32, 6.8, RgbChart.patches());
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        sheet.write(file, 180, paper.mediaType(), 5);
        String feed = paper.thicknessMm() > 0.35 || printer == room.large() ? Feeds.FRONT : Feeds.REAR;
        printer.load(feed, SHEET, paper, 1);
        int job = printer
            .create(Ticket.bordered("profile chart", paper.mediaType(), feed, SHEET))
            .id();
        printer.receive(job, new ByteArrayInputStream(file.toByteArray()), "image/pwg-raster");
        while (!printer.job(job).orElseThrow().state().over()) {
            Thread.sleep(20);
        }
        if (printer.job(job).orElseThrow().state() != PrintJob.State.COMPLETED) {
            throw new IOException("the chart on " + paper.label() + " did not come out");
        }
        return read("http://localhost:" + room.port() + "/instrument/" + (printer == room.large() ? "large/" : "") + job, sheet, paper);
    }

    private static Cgats read(String instrument, ChartSheet sheet, Paper paper) throws IOException, InterruptedException {
        StringBuilder spots = new StringBuilder();
        for (int i = 0; i < sheet.patches().size(); i++) {
            double[] at = sheet.centreMm(i);
            spots.append(String.format(Locale.ROOT, "%d %.3f %.3f%n", i + 1, at[0], at[1]));
        }
        HttpRequest request = HttpRequest.newBuilder(URI.create(instrument))
            .POST(HttpRequest.BodyPublishers.ofString(spots.toString())).build();
        HttpResponse<InputStream> answer = HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofInputStream());
        List<Patch> patches = new ArrayList<>();
        for (Readings.Reading r : Readings.parse(new String(answer.body().readAllBytes(), StandardCharsets.US_ASCII)).all()) {
            patches.add(new Patch(r.id(), sheet.patches().get(patches.size()), r.lab()));
        }
        return Cgats.of(Cgats.Device.RGB, "Wistel", "RGB chart on " + paper.label() + ", " + paper.mediaType() + ", quality 5", patches);
    }
}
