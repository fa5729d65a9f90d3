package wistel.standin;

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
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import wistel.core.colour.Lab;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.LabScan;
import wistel.standin.ink.Paper;
import wistel.standin.ipp.IppService;
import wistel.standin.room.Feeds;
import wistel.standin.room.Instrument;
import wistel.standin.room.SheetPrinter;

/**
 * The print room stand-in as a process: the printer at /ipp/print, its finished sheets at /scan, the instrument at /instrument, and a
 * page for the person in the room at /. It listens on loopback only.
 */
public final class PrintRoom implements AutoCloseable {
    private static final String LOOPBACK = "(localhost|127\\.0\\.0\\.1|\\[::1\\])(:\\d{1,5})?";
    private static final int LONGEST_FORM = 4096;
    private static final int LONGEST_SPOT_LIST = 1 << 20;

    private final SheetPrinter printer;
    private final HttpServer http;
    private final IppService ipp;
    private volatile boolean scannerAway;

    /** @param port 0 for any free one */
    public PrintRoom(Path folder, int port, double pace) throws IOException {
        printer = new SheetPrinter(folder, Clock.systemUTC(), pace);
        http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        ipp = new IppService(printer, "localhost:" + http.getAddress().getPort());
        http.createContext("/ipp/print", e -> handle(e, () -> ipp(e, ipp)));
        http.createContext("/scan/", e -> handle(e, () -> scan(e)));
        http.createContext("/instrument/", e -> handle(e, () -> read(e)));
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

    public SheetPrinter printer() {
        return printer;
    }

    /** Somebody else has the printer: it takes no jobs until they are done. */
    public void busy(boolean busy) {
        ipp.busy(busy);
    }

    /** The scanner is away: sheets come out, and nobody scans them. */
    public void hideScans(boolean away) {
        scannerAway = away;
    }

    @Override
    public void close() {
        http.stop(0);
        printer.close();
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

    private static void ipp(HttpExchange exchange, IppService service) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        InputStream body = new BufferedInputStream(exchange.getRequestBody(), 1 << 16);
        service.answer(body).write(out);
        body.transferTo(OutputStream.nullOutputStream());
        answer(exchange, 200, "application/ipp", out.toByteArray());
    }

    private void scan(HttpExchange exchange) throws IOException {
        Path file = printer.sheet(number(exchange));
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

    /** POST lines "id x y" (mm from the sheet's upper left corner); answers lines "id L* a* b*". */
    private void read(HttpExchange exchange) throws IOException {
        Path file = printer.sheet(number(exchange));
        LabScan sheet;
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            sheet = LabScan.read(in);
        }
        Instrument instrument = new Instrument(sheet, 42);
        String spots = new String(exchange.getRequestBody().readNBytes(LONGEST_SPOT_LIST), StandardCharsets.US_ASCII);
        StringBuilder out = new StringBuilder();
        for (String line : spots.lines().toList()) {
            String[] f = line.trim().split("\\s+");
            Lab lab = instrument.read(Double.parseDouble(f[1]), Double.parseDouble(f[2]));
            out.append(String.format(Locale.ROOT, "%s %.4f %.4f %.4f%n", f[0], lab.l(), lab.a(), lab.b()));
        }
        answer(exchange, 200, "text/plain", out.toString().getBytes(StandardCharsets.US_ASCII));
    }

    /** What a person in the room does: POST do=load|empty|pace|attendant with its fields. */
    private void room(HttpExchange exchange) throws IOException {
        if (!exchange.getRequestMethod().equals("POST")) {
            answer(exchange, 405, "text/plain", "POST only".getBytes(StandardCharsets.UTF_8));
            return;
        }
        Map<String, String> form = Arrays.stream(new String(exchange.getRequestBody().readNBytes(LONGEST_FORM), StandardCharsets.UTF_8).split("&"))
            .map(p -> p.split("=", 2)).filter(p -> p.length == 2)
            .collect(Collectors.toMap(p -> p[0], p -> URLDecoder.decode(p[1], StandardCharsets.UTF_8), (a, b) -> b));
        switch (form.getOrDefault("do", "")) {
            case "load" -> printer.load(feed(form), SheetSize.named(form.get("size")).orElseThrow(),
                Paper.valueOf(form.get("paper")), 20);
            case "empty" -> printer.empty(feed(form));
            case "pace" -> printer.pace(Double.parseDouble(form.get("pace")));
            case "attendant" -> printer.attendant(form.getOrDefault("there", "").equals("yes"));
            default -> throw new IllegalArgumentException("unknown wish");
        }
        exchange.getResponseHeaders().set("Location", "/");
        answer(exchange, 303, "text/plain", new byte[0]);
    }

    private static String feed(Map<String, String> form) {
        String feed = form.getOrDefault("feed", "");
        if (!feed.equals(Feeds.REAR) && !feed.equals(Feeds.FRONT) && !feed.equals(Feeds.ROLL)) {
            throw new IllegalArgumentException("no such feed");
        }
        return feed;
    }

    private void page(HttpExchange exchange) throws IOException {
        if (!exchange.getRequestURI().getPath().equals("/")) {
            answer(exchange, 404, "text/plain", "Nothing here.".getBytes(StandardCharsets.UTF_8));
            return;
        }
        String template;
        try (InputStream in = PrintRoom.class.getResourceAsStream("/room.html")) {
            template = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        String feeds = printer.feeds().entrySet().stream().map(e -> "<tr><th>" + switch (e.getKey()) {
                case Feeds.REAR -> "Rear feed";
                case Feeds.FRONT -> "Front path";
                default -> "Roll";
            } + "</th><td>"
            + (e.getValue().sheets() == 0 ? "empty" : e.getValue().size().name() + ", " + e.getValue().paper().label() + ", " + (e.getKey().equals(Feeds.ROLL) ? String.format(Locale.ROOT, "%.1f m left", e.getValue().size().heightMm() / 1000)
                : e.getValue().sheets() + " sheets"))
            + "</td><td><form method=post action=/room><input type=hidden name=feed value=" + e.getKey() + "><button name=do value=empty>Take the paper out</button></form></td></tr>")
            .collect(Collectors.joining());
        String sizes = Feeds.sizes().stream().map(s -> "<option>" + s.name() + "</option>").collect(Collectors.joining());
        String papers = Arrays.stream(Paper.values()).map(p -> "<option value=" + p + ">" + p.label() + "</option>").collect(Collectors.joining());
        String body = template.replace("{{feeds}}", feeds).replace("{{sizes}}", sizes).replace("{{papers}}", papers)
            .replace("{{pace}}", String.format(Locale.ROOT, "%.0f", printer.pace()))
            .replace("{{attendant}}", printer.attendant() ? "is in the room and loads what a job asks for" : "is out: load paper yourself")
            .replace("{{other}}", printer.attendant() ? "no" : "yes").replace("{{toggle}}", printer.attendant() ? "Send the attendant out" : "Call the attendant")
            .replace("{{state}}", printer.waitsForPaper() ? "waiting for paper" : printer.busy() ? "printing" : "idle");
        answer(exchange, 200, "text/html; charset=utf-8", body.getBytes(StandardCharsets.UTF_8));
    }

    /** Arguments: folder, port, pace. */
    public static void main(String[] args) throws Exception {
        if (args.length == 2 && args[0].equals("make-profiles")) {
            ProfileSession.main(new String[] {args[1]});
            return;
        }
        PrintRoom room = new PrintRoom(Path.of(args[0]), Integer.parseInt(args[1]), Double.parseDouble(args[2]));
        System.out.println("print room listens on ipp://localhost:" + room.port() + "/ipp/print");
        Runtime.getRuntime().addShutdownHook(new Thread(room::close));
        Thread.currentThread().join();
    }
}
