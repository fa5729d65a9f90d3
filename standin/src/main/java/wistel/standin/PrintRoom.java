package wistel.standin;

import com.hp.jipp.encoding.IppOutputStream;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import wistel.core.cgats.Readings;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.LabScan;
import wistel.standin.ink.Drift;
import wistel.standin.ink.Paper;
import wistel.standin.ipp.IppService;
import wistel.standin.library.MakersLibrary;
import wistel.standin.room.Feeds;
import wistel.standin.room.Flatbed;
import wistel.standin.room.Instrument;
import wistel.standin.room.Loaded;
import wistel.standin.room.MachineModel;
import wistel.standin.room.RoomPrinter;
import wistel.standin.room.Trouble;

/**
 * The print room stand-in as a process: the printers at /ipp/print and /ipp/large, their finished sheets at /scan, the instrument at
 * /instrument, the flatbed at /flatbed, and a page for the person in the room at /. It listens on loopback only.
 */
public final class PrintRoom implements AutoCloseable {
    private static final String LOOPBACK = "(localhost|127\\.0\\.0\\.1|\\[::1\\])(:\\d{1,5})?";
    private static final int LONGEST_FORM = 4096;
    private static final int LONGEST_SPOT_LIST = 1 << 20;

    private static final int SLOW_INTAKE = 60_000;
    /** One before that of a first reading. */
    private static final long FIRST_SEED = 41;

    private final RoomPrinter small;
    private final RoomPrinter large;
    private final HttpServer http;
    private final IppService ipp;
    private final MakersLibrary library = new MakersLibrary();
    private volatile boolean stumbles;
    /** How often each sheet was read: no two readings have the same noise. */
    private final Map<String, Integer> readings = new ConcurrentHashMap<>();
    private volatile boolean scannerAway;

    /** @param port 0 for any free one */
    public PrintRoom(Path folder, int port, double pace) throws IOException {
        small = new RoomPrinter(MachineModel.ARDLE_17, folder, Clock.systemUTC(), pace);
        large = new RoomPrinter(MachineModel.ARDLE_44, folder.resolve("large"), Clock.systemUTC(), pace);
        http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        String authority = "localhost:" + http.getAddress().getPort();
        ipp = new IppService(small, authority);
        IppService second = new IppService(large, authority);
        http.createContext(MachineModel.ARDLE_17.path(), e -> handle(e, () -> {
            if (stumbles) {
                answer(e, 500, "text/plain", new byte[0]);
            } else {
                ipp(e, small, ipp);
            }
        }));
        http.createContext(MachineModel.ARDLE_44.path(), e -> handle(e, () -> ipp(e, large, second)));
        http.createContext("/strings/", e -> handle(e, () -> answer(e, 200, "text/strings; charset=utf-8",
            (at(e) == large ? second : ipp).strings().getBytes(StandardCharsets.UTF_8))));
        http.createContext("/scan/", e -> handle(e, () -> scan(e)));
        http.createContext("/flatbed/", e -> handle(e, () -> flatbed(e)));
        http.createContext("/instrument/", e -> handle(e, () -> read(e)));
        http.createContext("/library/", e -> handle(e, () -> library(e, "http://" + authority + "/library/")));
        http.createContext("/room", e -> handle(e, () -> room(e)));
        http.createContext("/", e -> handle(e, () -> page(e)));
        http.setExecutor(Executors.newFixedThreadPool(8, r -> {
            Thread t = new Thread(r, "print-room");
            t.setDaemon(true);
            return t;
        }));
        http.start();
    }

    public int port() {
        return http.getAddress().getPort();
    }

    /** The sheet printer. */
    public RoomPrinter printer() {
        return small;
    }

    /** The roll printer. */
    public RoomPrinter large() {
        return large;
    }

    /** The printer that an address is about. */
    private RoomPrinter at(HttpExchange exchange) {
        return exchange.getRequestURI().getPath().contains("/large") ? large : small;
    }

    /** Every paper maker measures its papers anew. */
    public void nextEdition() {
        library.nextEdition();
    }

    /** Somebody else has the printer: it takes no jobs until they are done. */
    public void busy(boolean busy) {
        ipp.busy(busy);
    }

    /** The small printer answers everything with a fault of its own, as one whose firmware has stumbled. */
    public void stumble(boolean on) {
        stumbles = on;
    }

    /** The small printer says that its scans lie at another address; at their own when it is empty. */
    public void scanAddress(String address) {
        ipp.scanAddress(address);
    }

    /** The scanner is away: sheets come out, and nobody scans them. */
    public void hideScans(boolean away) {
        scannerAway = away;
    }

    @Override
    public void close() {
        http.stop(0);
        small.close();
        large.close();
    }

    private interface Work {
        void run() throws IOException;
    }

    /** It takes nothing from another site's page that is open in the same browser, and answers to no other name than this machine's own. */
    private static boolean ours(HttpExchange exchange) {
        String host = exchange.getRequestHeaders().getFirst("Host");
        String origin = exchange.getRequestHeaders().getFirst("Origin");
        return host != null && host.matches(LOOPBACK) && (origin == null || origin.equals("http://" + host));
    }

    private static void handle(HttpExchange exchange, Work work) {
        try {
            if (!ours(exchange)) {
                answer(exchange, 403, "text/plain", "The print room takes this from its own page alone.".getBytes(StandardCharsets.UTF_8));
                return;
            }
            work.run();
        } catch (IOException e) {
            // the other side went away: nothing is left to tell it
        } catch (RuntimeException e) {
            try {
                answer(exchange, 400, "text/plain", ("That can't be done: " + e.getMessage()).getBytes(StandardCharsets.UTF_8));
            } catch (IOException gone) {
                // as above
            }
        } finally {
            exchange.close();
        }
    }

    private static void answer(HttpExchange exchange, int status, String type, byte[] body) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.getResponseHeaders().set("X-Content-Type-Options", "nosniff");
        exchange.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
        exchange.getResponseBody().write(body);
    }

    private static void ipp(HttpExchange exchange, RoomPrinter printer, IppService service) throws IOException {
        if (printer.vanished()) {
            return;
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        InputStream body = new BufferedInputStream(exchange.getRequestBody(), 1 << 16);
        new IppOutputStream(out).write(service.answer(body));
        body.transferTo(OutputStream.nullOutputStream());
        answer(exchange, 200, "application/ipp", out.toByteArray());
    }

    private void scan(HttpExchange exchange) throws IOException {
        Path file = at(exchange).sheet(number(exchange));
        if (scannerAway || !Files.exists(file)) {
            answer(exchange, 404, "text/plain", "No sheet of that number came out.".getBytes(StandardCharsets.UTF_8));
            return;
        }
        exchange.getResponseHeaders().set("Content-Type", "image/tiff");
        exchange.sendResponseHeaders(200, Files.size(file));
        Files.copy(file, exchange.getResponseBody());
    }

    private static int number(HttpExchange exchange) {
        return Integer.parseInt(exchange.getRequestURI().getPath().replaceAll("\\D", ""));
    }

    private LabScan sheet(HttpExchange exchange) throws IOException {
        Path file = at(exchange).sheet(number(exchange));
        if (!Files.exists(file)) {
            throw new IllegalArgumentException("no sheet of that number came out");
        }
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            return LabScan.read(in);
        }
    }

    /** The sheet on the flatbed. */
    private void flatbed(HttpExchange exchange) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new Flatbed(sheet(exchange)).scan(out);
        answer(exchange, 200, "image/tiff", out.toByteArray());
    }

    /** POST lines "id x y" (mm from the sheet's upper left corner); answers the readings as CGATS text. */
    private void read(HttpExchange exchange) throws IOException {
        LabScan sheet = sheet(exchange);
        Instrument instrument = new Instrument(sheet, FIRST_SEED + readings.merge(exchange.getRequestURI().getPath(), 1, Integer::sum));
        String spots = new String(exchange.getRequestBody().readNBytes(LONGEST_SPOT_LIST), StandardCharsets.US_ASCII);
        List<Readings.Reading> read = spots.lines().map(line -> line.trim().split("\\s+"))
            .map(f -> new Readings.Reading(f[0], OptionalDouble.empty(),
                instrument.read(Double.parseDouble(f[1]), Double.parseDouble(f[2]))))
            .toList();
        answer(exchange, 200, "text/plain",
            new Readings(Readings.Kind.COLOUR, read).text("read in the print room").getBytes(StandardCharsets.US_ASCII));
    }

    private void library(HttpExchange exchange, String base) throws IOException {
        Optional<MakersLibrary.Answer> answer = library.answer(exchange.getRequestURI().getPath().substring("/library/".length()),
            parameters(Optional.ofNullable(exchange.getRequestURI().getRawQuery()).orElse("")), base);
        if (answer.isEmpty()) {
            answer(exchange, 404, "text/plain", "No maker has this.".getBytes(StandardCharsets.UTF_8));
            return;
        }
        exchange.getResponseHeaders().set("ETag", answer.get().etag());
        boolean known = answer.get().etag().equals(exchange.getRequestHeaders().getFirst("If-None-Match"));
        answer(exchange, known ? 304 : 200, answer.get().type(), known ? new byte[0] : answer.get().body());
    }

    private static Map<String, String> parameters(String encoded) {
        return Arrays.stream(encoded.split("&")).map(p -> p.split("=", 2)).filter(p -> p.length == 2)
            .collect(Collectors.toMap(p -> p[0], p -> URLDecoder.decode(p[1], StandardCharsets.UTF_8), (a, b) -> b));
    }

    /** What a person in the room does: POST do=load|empty|pace|attendant with its fields. */
    private void room(HttpExchange exchange) throws IOException {
        if (!exchange.getRequestMethod().equals("POST")) {
            answer(exchange, 405, "text/plain", "POST only".getBytes(StandardCharsets.UTF_8));
            return;
        }
        Map<String, String> form = parameters(new String(exchange.getRequestBody().readNBytes(LONGEST_FORM), StandardCharsets.UTF_8));
        RoomPrinter printer = form.getOrDefault("printer", "").equals("large") ? large : small;
        switch (form.getOrDefault("do", "")) {
            case "load" -> printer.load(feed(printer, form), size(form.getOrDefault("size", "")), Paper.valueOf(form.get("paper")), 20);
            case "empty" -> printer.empty(feed(printer, form));
            case "drain" -> printer.drain(form.getOrDefault("ink", ""));
            case "replace" -> printer.replaceInks();
            case "drift" -> printer.drift(Drift.valueOf(form.getOrDefault("drift", "")));
            case "edition" -> library.nextEdition();
            case "spoil" -> printer.spoil();
            case "jam" -> printer.trouble(Trouble.JAM);
            case "cover" -> printer.trouble(Trouble.COVER);
            case "clear" -> printer.trouble(Trouble.NONE);
            case "vanish" -> printer.vanish(true);
            case "return" -> printer.vanish(false);
            case "slow" -> printer.intake(SLOW_INTAKE);
            case "quick" -> printer.intake(Integer.MAX_VALUE);
            case "pace" -> both(p -> p.pace(Double.parseDouble(form.get("pace"))));
            case "attendant" -> both(p -> p.attendant(form.getOrDefault("there", "").equals("yes")));
            default -> throw new IllegalArgumentException("unknown wish");
        }
        exchange.getResponseHeaders().set("Location", "/");
        answer(exchange, 303, "text/plain", new byte[0]);
    }

    private void both(Consumer<RoomPrinter> wish) {
        wish.accept(small);
        wish.accept(large);
    }

    /** A sheet by its name, or "roll 24" by its width in inches. */
    private static SheetSize size(String name) {
        return name.matches("roll \\d{2}") ? Loaded.roll(Integer.parseInt(name.substring(5)) * 25.4, 1000, Paper.PLAIN).size()
            : SheetSize.named(name).orElseThrow();
    }

    private static String feed(RoomPrinter printer, Map<String, String> form) {
        String feed = form.getOrDefault("feed", "");
        if (!printer.model().feeds().contains(feed)) {
            throw new IllegalArgumentException("no such feed");
        }
        return feed;
    }

    private void page(HttpExchange exchange) throws IOException {
        if (!exchange.getRequestURI().getPath().equals("/")) {
            answer(exchange, 404, "text/plain", "Nothing here.".getBytes(StandardCharsets.UTF_8));
            return;
        }
        String body = template("/room.html").replace("{{printers}}", described(small, "small") + described(large, "large"))
            .replace("{{pace}}", String.format(Locale.ROOT, "%.0f", small.pace()))
            .replace("{{attendant}}",
                small.attendant() ? "is in the room, loads what a job asks for and changes empty inks" : "is out: load paper yourself")
            .replace("{{other}}", small.attendant() ? "no" : "yes")
            .replace("{{toggle}}", small.attendant() ? "Send the attendant out" : "Call the attendant");
        answer(exchange, 200, "text/html; charset=utf-8", body.getBytes(StandardCharsets.UTF_8));
    }

    private static String template(String name) throws IOException {
        try (InputStream in = PrintRoom.class.getResourceAsStream(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static String described(RoomPrinter printer, String key) throws IOException {
        MachineModel model = printer.model();
        String own = "<input type=hidden name=printer value=" + key + ">";
        String feeds = printer.feeds().entrySet().stream()
            .map(e -> "<tr><th>" + model.feedWords(e.getKey()) + "</th><td>" + lying(e.getKey(), e.getValue())
                + "</td><td><form method=post action=/room>" + own + "<input type=hidden name=feed value=" + e.getKey()
                + "><button name=do value=empty>Take the paper out</button></form></td></tr>")
            .collect(Collectors.joining());
        String inks = printer.inks().entrySet().stream()
            .map(e -> "<tr><th>" + e.getKey() + "</th><td>" + e.getValue() + " %</td><td><form method=post action=/room>" + own
                + "<input type=hidden name=ink value=\"" + e.getKey()
                + "\"><button name=do value=drain>Use it up</button></form></td></tr>")
            .collect(Collectors.joining());
        String sizes = model.sizes().stream().map(s -> "<option>" + s.name() + "</option>").collect(Collectors.joining())
            + model.offers().stream().filter(o -> o.feed().equals(Feeds.ROLL)).map(o -> Math.round(o.widthMm().from() / 25.4)).distinct()
                .sorted().map(w -> "<option>roll " + w + "</option>").collect(Collectors.joining());
        String state = printer.vanished() ? "unplugged"
            : printer.trouble() == Trouble.JAM ? "jammed" : printer.trouble() == Trouble.COVER ? "open"
                : printer.inkEmpty() ? "out of an ink"
                    : printer.waitsForPaper() ? "waiting for paper" : printer.busy() ? "printing" : "idle";
        return template("/printer.html").replace("{{name}}", model.name()).replace("{{kind}}", model.kind()).replace("{{key}}", key)
            .replace("{{state}}", state).replace("{{feeds}}", feeds)
            .replace("{{inks}}", inks).replace("{{sizes}}", sizes)
            .replace("{{drift}}", printer.drift().words())
            .replace("{{drifts}}",
                Arrays.stream(Drift.values()).map(d -> "<option value=" + d + ">" + d.words() + "</option>").collect(Collectors.joining()))
            .replace("{{ways}}",
                model.feeds().stream().map(f -> "<option value=" + f + ">" + model.feedWords(f) + "</option>")
                    .collect(Collectors.joining()))
            .replace("{{papers}}",
                Arrays.stream(Paper.values()).map(p -> "<option value=" + p + ">" + p.label() + "</option>").collect(Collectors.joining()));
    }

    private static String lying(String feed, Loaded l) {
        return l.sheets() == 0 ? "empty" : l.size().name() + ", " + l.paper().label() + ", "
            + (feed.equals(Feeds.ROLL) ? String.format(Locale.ROOT, "%.1f m left", l.size().heightMm() / 1000) : l.sheets() + " sheets");
    }

    /** Arguments: folder, port, pace. */
    public static void main(String[] args) throws Exception {
        if (args.length == 2 && args[0].equals("make-profiles")) {
            ProfilingRun.main(new String[] {args[1]});
            return;
        }
        PrintRoom room = new PrintRoom(Path.of(args[0]), Integer.parseInt(args[1]), Double.parseDouble(args[2]));
        System.out.println(
            "print room listens on ipp://localhost:" + room.port() + MachineModel.ARDLE_17.path() + " and " + MachineModel.ARDLE_44.path());
        Runtime.getRuntime().addShutdownHook(new Thread(room::close));
        Thread.currentThread().join();
    }
}
