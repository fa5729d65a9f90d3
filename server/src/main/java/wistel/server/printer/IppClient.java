package wistel.server.printer;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeCollection;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.IntOrIntRange;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.KeywordOrName;
import com.hp.jipp.encoding.Name;
import com.hp.jipp.encoding.OtherString;
import com.hp.jipp.encoding.Resolution;
import com.hp.jipp.encoding.Stringable;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.encoding.TaggedValue;
import com.hp.jipp.encoding.UnknownAttribute;
import com.hp.jipp.encoding.UntypedCollection;
import com.hp.jipp.encoding.UntypedEnum;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import kotlin.ranges.IntRange;
import org.springframework.stereotype.Component;
import wistel.core.fault.PrinterException;
import wistel.core.length.Margins;
import wistel.core.length.Range;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.Keywords;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;

/** IPP over HTTP (RFC 8010, 8011; PWG 5100.14) as a client of any printer. It knows nothing of who answers. */
@Component
public class IppClient {
    private static final Duration PATIENCE = Duration.ofSeconds(8);
    private static final Duration SCAN_PATIENCE = Duration.ofMinutes(3);
    private static final int LARGEST_ANSWER = 8 << 20;
    private static final int LONGEST_TEXT = 1023;

    private final HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).connectTimeout(Duration.ofSeconds(3)).build();
    private final AtomicInteger requests = new AtomicInteger();

    /** What a printer says of itself and of its state now; the UUID is empty when it tells none. */
    public record Described(String uuid, String name, PrinterState state, String moreInfo, PrinterDescription description) {
    }

    /** A job as the printer sees it: state codes of RFC 8011, 5.3.7; percent below 0 when it doesn't say; whether it was ever at work on it; what it took, as far as it says. */
    public record JobSeen(int id, String name, int state, List<String> reasons, int percent, boolean begun, Optional<URI> scan, Map<String, String> took) {
        public boolean over() {
            return state >= 7;
        }

        public boolean completed() {
            return state == 9;
        }

        /** It is at work on it, or was and waits for something. */
        public boolean processing() {
            return state == 5 || state == 6;
        }

        public boolean stopped() {
            return state == 6;
        }

        public boolean lacksDocument() {
            return reasons.contains("job-incoming") || reasons.contains("job-data-insufficient");
        }
    }

    /** What is asked of the printer besides the document; attributes that it doesn't know are left out. */
    public record Ticket(String jobName, DriverSettings settings, double widthMm, double lengthMm, Margins margins, int copies, int dpi, String colourMode, String intent, double overMm) {
    }

    public Described describe(String uri) {
        IppPacket answer = call(uri, 0x0b, List.of(keywords("requested-attributes", "printer-description", "job-template", "media-col-database", "media-col-ready")), List.of());
        AttributeGroup p = answer.get(Tag.printerAttributes);
        if (p == null) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "The printer at " + uri + " answered without describing itself.", "Check that this is a printer's IPP address.");
        }
        int state = value(p, "printer-state").map(IppClient::number).orElse(3);
        List<MediaRow> loaded = collections(p, "media-col-ready").stream().map(IppClient::media).flatMap(Optional::stream).toList();
        PrinterState now = new PrinterState(state == 5 ? PrinterState.Doing.STOPPED : state == 4 ? PrinterState.Doing.PRINTING : PrinterState.Doing.IDLE,
            state == 5 ? StopReasons.words(strings(p, "printer-state-reasons")) : "", loaded);
        return new Described(first(p, "printer-uuid"), first(p, "printer-name"), now, page(first(p, "printer-more-info")), description(p));
    }

    /** An address that may stand behind a link. */
    private static String page(String address) {
        return address.startsWith("http://") || address.startsWith("https://") ? address : "";
    }

    /** Why a printer waits, in words: what it says of itself; empty when it says nothing. */
    public String stopReason(String uri) {
        IppPacket answer = call(uri, 0x0b, List.of(keywords("requested-attributes", "printer-state-reasons")), List.of());
        AttributeGroup p = answer.get(Tag.printerAttributes);
        return p == null ? "" : StopReasons.words(strings(p, "printer-state-reasons"));
    }

    private static PrinterDescription description(AttributeGroup p) {
        List<MediaRow> media = collections(p, "media-col-database").stream().map(IppClient::media).flatMap(Optional::stream).toList();
        return new PrinterDescription(first(p, "printer-make-and-model"), media, strings(p, "media-type-supported"), strings(p, "media-source-supported"),
            all(p, "print-quality-supported").stream().map(IppClient::number).toList(),
            resolutions(p),
            strings(p, "pwg-raster-document-type-supported"), strings(p, "document-format-supported"), strings(p, "print-color-mode-supported"),
            strings(p, "print-rendering-intent-supported"),
            all(p, "wistel-over-edge-supported").stream().map(IppClient::number).filter(v -> v >= 0 && v <= 1000).map(v -> v / 100.0).toList());
    }

    /** Those that both a raster may have and a job may ask for, where it tells of both. */
    private static List<Integer> resolutions(AttributeGroup p) {
        List<Integer> rasters = square(p, "pwg-raster-document-resolution-supported");
        List<Integer> jobs = square(p, "printer-resolution-supported");
        List<Integer> both = rasters.stream().filter(jobs::contains).toList();
        return both.isEmpty() ? rasters : both;
    }

    private static List<Integer> square(AttributeGroup p, String name) {
        return all(p, name).stream().filter(Resolution.class::isInstance).map(Resolution.class::cast).filter(r -> r.getX() == r.getY() && r.getX() > 0 && r.getX() <= 4800)
            .map(Resolution::getX).toList();
    }

    private static Optional<MediaRow> media(AttributeCollection c) {
        Optional<AttributeCollection> size = member(c, "media-size").filter(AttributeCollection.class::isInstance).map(AttributeCollection.class::cast);
        Optional<Range> x = size.flatMap(s -> member(s, "x-dimension")).flatMap(IppClient::range);
        Optional<Range> y = size.flatMap(s -> member(s, "y-dimension")).flatMap(IppClient::range);
        if (x.isEmpty() || y.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new MediaRow(member(c, "media-type").map(IppClient::plain).orElse(""), member(c, "media-source").map(IppClient::plain).orElse(""),
            x.get(), y.get(), new Margins(margin(c, "top"), margin(c, "right"), margin(c, "bottom"), margin(c, "left"))));
    }

    private static double margin(AttributeCollection c, String side) {
        return member(c, "media-" + side + "-margin").flatMap(IppClient::whole).map(v -> Math.max(0, v)).orElse(0) / 100.0;
    }

    /**
     * Announces a job; its document follows. The printer is asked to take it exactly as it is or not at all.
     *
     * @throws PrinterException SUBSTITUTES when it took the job but names settings that it will not follow; the job is cancelled then
     */
    public int createJob(String uri, Ticket ticket) {
        List<Attribute<?>> operation = List.of(new UnknownAttribute("job-name", List.of(new Name(ticket.jobName))), new UnknownAttribute("ipp-attribute-fidelity", List.of(true)));
        IppPacket answer = call(uri, 0x05, operation, jobAttributes(ticket));
        AttributeGroup job = answer.get(Tag.jobAttributes);
        int id = Optional.ofNullable(job).flatMap(j -> value(j, "job-id")).map(IppClient::number)
            .orElseThrow(() -> new PrinterException(PrinterException.Reason.UNCLEAR, "The printer took the job but gave it no number.", "Release the docket again."));
        List<String> ignored = answer.getAttributeGroups().stream().filter(g -> g.getTag() == Tag.unsupportedAttributes)
            .flatMap(g -> g.stream().map(Attribute::getName)).filter(n -> !n.equals("ipp-attribute-fidelity")).toList();
        List<String> other = ignored.isEmpty() ? substituted(ticket, job(uri, id)) : ignored.stream().map(Keywords::words).toList();
        if (!other.isEmpty()) {
            cancel(uri, id);
            throw new PrinterException(PrinterException.Reason.SUBSTITUTES, "The printer would print this with other settings: " + String.join(", ", other) + ".",
                "Nothing was printed. Set the docket to what the printer offers.");
        }
        return id;
    }

    /** What a job says that it took against what was asked for; what it doesn't say is taken as asked. */
    private static List<String> substituted(Ticket ticket, JobSeen job) {
        Map<String, String> asked = new LinkedHashMap<>();
        asked.put("media-type", ticket.settings.mediaType());
        asked.put("media-source", ticket.settings.feed());
        asked.put("print-quality", Integer.toString(ticket.settings.quality()));
        asked.put("copies", Integer.toString(ticket.copies));
        asked.put("print-color-mode", ticket.colourMode);
        asked.put("print-rendering-intent", ticket.intent);
        asked.put("x-dimension", Integer.toString(hundredths(ticket.widthMm)));
        asked.put("y-dimension", Integer.toString(hundredths(ticket.lengthMm)));
        return asked.entrySet().stream().filter(e -> !e.getValue().isEmpty() && job.took.containsKey(e.getKey()) && !job.took.get(e.getKey()).equals(e.getValue()))
            .map(e -> Keywords.words(e.getKey()) + " " + Keywords.words(job.took.get(e.getKey())) + " instead of " + Keywords.words(e.getValue())).toList();
    }

    private static List<Attribute<?>> jobAttributes(Ticket t) {
        List<Attribute<?>> media = new ArrayList<>();
        media.add(new UnknownAttribute("media-size", List.of(new UntypedCollection(List.of(ints("x-dimension", hundredths(t.widthMm)),
            ints("y-dimension", hundredths(t.lengthMm)))))));
        if (!t.settings.mediaType().isEmpty()) {
            media.add(keywords("media-type", t.settings.mediaType()));
        }
        if (!t.settings.feed().isEmpty()) {
            media.add(keywords("media-source", t.settings.feed()));
        }
        media.add(ints("media-top-margin", hundredths(t.margins.top())));
        media.add(ints("media-bottom-margin", hundredths(t.margins.bottom())));
        media.add(ints("media-left-margin", hundredths(t.margins.left())));
        media.add(ints("media-right-margin", hundredths(t.margins.right())));
        List<Attribute<?>> job = new ArrayList<>(List.of(new UnknownAttribute("media-col", List.of(new UntypedCollection(media))),
            new UnknownAttribute("print-quality", List.of(new UntypedEnum(t.settings.quality()))), ints("copies", t.copies),
            keywords("print-scaling", "none"), keywords("sides", "one-sided")));
        if (t.dpi > 0) {
            job.add(new UnknownAttribute("printer-resolution", List.of(new Resolution(t.dpi, t.dpi, com.hp.jipp.encoding.ResolutionUnit.dotsPerInch))));
        }
        if (t.overMm > 0) {
            job.add(ints("wistel-over-edge", hundredths(t.overMm)));
        }
        if (!t.colourMode.isEmpty()) {
            job.add(keywords("print-color-mode", t.colourMode));
        }
        if (!t.intent.isEmpty()) {
            job.add(keywords("print-rendering-intent", t.intent));
        }
        return job;
    }

    /** Told now and then while a document goes out. */
    @FunctionalInterface
    public interface Sending {
        /**
         * @param sent    bytes so far
         * @param stalled for how long no byte went out
         * @throws RuntimeException to break the sending off
         */
        void at(long sent, Duration stalled);
    }

    /**
     * Sends the one document of a job. There is no bound on the whole time: a printer may take its data as slowly as it prints. The watcher breaks
     * it off when nothing moves any more.
     */
    public void sendDocument(String uri, int jobId, Path document, String format, Sending watcher) throws IOException {
        List<Attribute<?>> operation = List.of(ints("job-id", jobId), mime("document-format", format), new UnknownAttribute("last-document", List.of(true)));
        CountedFile body = new CountedFile(packet(uri, 0x06, operation, List.of()), document);
        HttpRequest request = HttpRequest.newBuilder(http(uri)).header("Content-Type", "application/ipp").POST(body.publisher()).build();
        CompletableFuture<HttpResponse<byte[]>> answer = http.sendAsync(request, BoundedBody.upTo(LARGEST_ANSWER));
        long sent = -1;
        long moved = System.nanoTime();
        while (true) {
            try {
                understood(uri, answer.get(1, TimeUnit.SECONDS));
                return;
            } catch (TimeoutException e) {
                if (body.sent() != sent) {
                    sent = body.sent();
                    moved = System.nanoTime();
                }
                try {
                    watcher.at(sent, Duration.ofNanos(System.nanoTime() - moved));
                } catch (RuntimeException stop) {
                    answer.cancel(true);
                    throw stop;
                }
            } catch (InterruptedException e) {
                answer.cancel(true);
                Thread.currentThread().interrupt();
                throw interrupted(e);
            } catch (ExecutionException e) {
                throw away(uri, e.getCause());
            }
        }
    }

    public JobSeen job(String uri, int jobId) {
        IppPacket answer = call(uri, 0x09, List.of(ints("job-id", jobId)), List.of());
        return seen(answer.get(Tag.jobAttributes));
    }

    /** Finds the newest job by the name it was announced with, over or not. */
    public Optional<Integer> findJob(String uri, String jobName) {
        for (String which : List.of("not-completed", "completed")) {
            IppPacket answer = call(uri, 0x0a, List.of(keywords("which-jobs", which), keywords("requested-attributes", "job-id", "job-name")), List.of());
            Optional<Integer> found = answer.getAttributeGroups().stream()
                .filter(g -> g.getTag() == Tag.jobAttributes && first(g, "job-name").equals(jobName))
                .map(g -> value(g, "job-id").map(IppClient::number).orElse(0)).filter(id -> id > 0).max(Integer::compare);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    public void cancel(String uri, int jobId) {
        call(uri, 0x08, List.of(ints("job-id", jobId)), List.of());
    }

    private static JobSeen seen(AttributeGroup job) {
        if (job == null) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "The printer said nothing of the job.", "Wistel asks again by itself.");
        }
        return new JobSeen(value(job, "job-id").map(IppClient::number).orElse(0), first(job, "job-name"), value(job, "job-state").map(IppClient::number).orElse(5),
            strings(job, "job-state-reasons"), value(job, "wistel-percent-laid-down").map(IppClient::number).orElse(-1),
            value(job, "time-at-processing").map(IppClient::number).orElse(0) > 0,
            Optional.of(first(job, "wistel-scan-uri")).filter(u -> !u.isEmpty()).flatMap(IppClient::address), took(job));
    }

    private static Optional<URI> address(String text) {
        try {
            return Optional.of(URI.create(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Map<String, String> took(AttributeGroup job) {
        Map<String, String> took = new HashMap<>();
        for (String name : List.of("print-color-mode", "print-rendering-intent")) {
            value(job, name).map(IppClient::plain).ifPresent(v -> took.put(name, v));
        }
        for (String name : List.of("print-quality", "copies")) {
            value(job, name).map(v -> Integer.toString(number(v))).ifPresent(v -> took.put(name, v));
        }
        collections(job, "media-col").stream().findFirst().ifPresent(media -> {
            for (String name : List.of("media-type", "media-source")) {
                member(media, name).map(IppClient::plain).ifPresent(v -> took.put(name, v));
            }
            member(media, "media-size").filter(AttributeCollection.class::isInstance).map(AttributeCollection.class::cast).ifPresent(size -> {
                for (String name : List.of("x-dimension", "y-dimension")) {
                    member(size, name).flatMap(IppClient::whole).ifPresent(v -> took.put(name, Integer.toString(v)));
                }
            });
        });
        return took;
    }

    /** Fetches a scan that the job offered; only from the printer's own host, whatever name it goes by. */
    public byte[] fetch(String printerUri, URI scan, int most) {
        URI printer = http(printerUri);
        if (!"http".equals(scan.getScheme()) || scan.getPort() != printer.getPort() || !sameHost(printer.getHost(), scan.getHost())) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "The printer offers its scan from another host, " + scan.getAuthority() + ".", "It was not fetched.");
        }
        HttpResponse<byte[]> answer = answered(printerUri, HttpRequest.newBuilder(scan).build(), most, SCAN_PATIENCE);
        if (answer.statusCode() != 200) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "The printer offers a scan and answers " + answer.statusCode() + " when it is asked for.", "Judge the sheet itself.");
        }
        return answer.body();
    }

    private static boolean sameHost(String a, String b) {
        if (a == null || b == null) {
            return false;
        }
        try {
            return a.equalsIgnoreCase(b) || InetAddress.getByName(a).equals(InetAddress.getByName(b))
                || InetAddress.getByName(a).isLoopbackAddress() && InetAddress.getByName(b).isLoopbackAddress();
        } catch (UnknownHostException e) {
            return false;
        }
    }

    private byte[] packet(String uri, int operation, List<Attribute<?>> attributes, List<Attribute<?>> jobAttributes) {
        List<Attribute<?>> head = new ArrayList<>(List.of(
            new UnknownAttribute("attributes-charset", List.of(new OtherString(Tag.charset, "utf-8"))),
            new UnknownAttribute("attributes-natural-language", List.of(new OtherString(Tag.naturalLanguage, "en"))),
            new UnknownAttribute("printer-uri", List.of(URI.create(uri)))));
        List<Attribute<?>> rest = new ArrayList<>(attributes);
        // RFC 8011, 4.1.5: the target comes next: printer-uri, then job-id
        rest.stream().filter(a -> a.getName().equals("job-id")).findFirst().ifPresent(a -> {
            head.add(a);
            rest.remove(a);
        });
        head.add(new UnknownAttribute("requesting-user-name", List.of(new Name("wistel"))));
        head.addAll(rest);
        List<AttributeGroup> groups = new ArrayList<>(List.of(AttributeGroup.groupOf(Tag.operationAttributes, head)));
        if (!jobAttributes.isEmpty()) {
            groups.add(AttributeGroup.groupOf(Tag.jobAttributes, jobAttributes));
        }
        try {
            ByteArrayOutputStream packet = new ByteArrayOutputStream();
            new IppPacket(0x0200, operation, requests.incrementAndGet() & 0x7FFFFFFF, groups).write(packet);
            return packet.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private IppPacket call(String uri, int operation, List<Attribute<?>> attributes, List<Attribute<?>> jobAttributes) {
        HttpRequest request = HttpRequest.newBuilder(http(uri)).header("Content-Type", "application/ipp")
            .POST(BodyPublishers.ofByteArray(packet(uri, operation, attributes, jobAttributes))).build();
        return understood(uri, answered(uri, request, LARGEST_ANSWER, PATIENCE));
    }

    /** The whole answer within the time, and within the bytes. */
    private HttpResponse<byte[]> answered(String uri, HttpRequest request, int most, Duration patience) {
        CompletableFuture<HttpResponse<byte[]>> answer = http.sendAsync(request, BoundedBody.upTo(most));
        try {
            return answer.get(patience.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            answer.cancel(true);
            Thread.currentThread().interrupt();
            throw interrupted(e);
        } catch (TimeoutException e) {
            answer.cancel(true);
            throw away(uri, e);
        } catch (ExecutionException e) {
            throw away(uri, e.getCause());
        }
    }

    private static PrinterException interrupted(InterruptedException e) {
        return new PrinterException(PrinterException.Reason.INTERRUPTED, "The talk with the printer was interrupted.", "Wistel goes on when it is started again.", e);
    }

    private static PrinterException away(String uri, Throwable cause) {
        return new PrinterException(PrinterException.Reason.AWAY, "The printer at " + uri + " doesn't answer.", "Switch it on, or check its cable; Wistel goes on by itself.", cause);
    }

    private static IppPacket understood(String uri, HttpResponse<byte[]> answer) {
        if (answer.statusCode() == 503) {
            throw new PrinterException(PrinterException.Reason.BUSY, "The printer is busy.", "Wistel asks again by itself.");
        }
        if (answer.statusCode() != 200) {
            throw new PrinterException(PrinterException.Reason.REFUSED, "The printer's address answered with HTTP " + answer.statusCode() + ".", "Check its IPP address.");
        }
        IppPacket packet;
        try {
            packet = IppPacket.read(new ByteArrayInputStream(answer.body()));
        } catch (IOException | RuntimeException | StackOverflowError e) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "What answers at " + uri + " is not understood.", "Check that this is a printer's IPP address.");
        }
        int code = packet.getCode();
        if (code == 0x0406 || code == 0x0405) {
            throw new PrinterException(PrinterException.Reason.LOST_JOB, "The printer doesn't know this job any more.", "Look whether a sheet came out.");
        }
        if (WAIT.containsKey(code)) {
            throw new PrinterException(PrinterException.Reason.BUSY, "The printer " + WAIT.get(code) + ".", "Wistel asks again by itself.");
        }
        if (code >= 0x0400) {
            throw new PrinterException(PrinterException.Reason.REFUSED, "The printer refused: " + refusal(code) + ".", "Check the docket's machine settings against the printer.");
        }
        return packet;
    }

    /** Refusals that pass by themselves (RFC 8011, 5.1.8, and PWG 5100.13). */
    private static final Map<Integer, String> WAIT = Map.of(0x0502, "is not available just now", 0x0505, "has a passing error", 0x0506, "takes no jobs just now", 0x0507, "is busy",
        0x0509, "takes only one job at a time");

    private static String refusal(int code) {
        return switch (code) {
            case 0x0400 -> "it didn't understand the request";
            case 0x0401, 0x0402, 0x0403 -> "it wants to know who asks";
            case 0x0404 -> "not possible now";
            case 0x0408 -> "the document is too large for it";
            case 0x040a -> "it doesn't take this file format";
            case 0x040b, 0x040e -> "it doesn't offer these settings together";
            default -> String.format(Locale.ROOT, "status %04x", code);
        };
    }

    private static URI http(String uri) {
        URI ipp = URI.create(uri);
        return URI.create("http://" + ipp.getHost() + ":" + (ipp.getPort() < 0 ? 631 : ipp.getPort()) + ipp.getPath());
    }

    private static int hundredths(double mm) {
        return (int) Math.round(mm * 100);
    }

    private static Attribute<?> ints(String name, int value) {
        return new UnknownAttribute(name, List.of(value));
    }

    private static Attribute<?> keywords(String name, String... values) {
        return new UnknownAttribute(name, Arrays.stream(values).map(v -> (Object) new KeywordOrName(v)).toList());
    }

    private static Attribute<?> mime(String name, String value) {
        return new UnknownAttribute(name, List.of(new OtherString(Tag.mimeMediaType, value)));
    }

    private static List<Object> all(AttributeGroup group, String name) {
        Attribute<?> attribute = group.get(name);
        return attribute == null ? List.of() : List.copyOf(attribute);
    }

    private static Optional<Object> value(AttributeGroup group, String name) {
        return all(group, name).stream().findFirst();
    }

    private static List<String> strings(AttributeGroup group, String name) {
        return all(group, name).stream().map(IppClient::plain).toList();
    }

    private static String first(AttributeGroup group, String name) {
        return value(group, name).map(IppClient::plain).orElse("");
    }

    private static List<AttributeCollection> collections(AttributeGroup group, String name) {
        return all(group, name).stream().filter(AttributeCollection.class::isInstance).map(AttributeCollection.class::cast).toList();
    }

    private static Optional<Object> member(AttributeCollection collection, String name) {
        return collection.getAttributes().stream().filter(a -> a.getName().equals(name) && !a.isEmpty()).<Object>map(a -> a.get(0)).findFirst();
    }

    private static Optional<Integer> whole(Object value) {
        return value instanceof Integer i ? Optional.of(i)
            : value instanceof IntOrIntRange r && r.getSimpleInt() ? Optional.of(r.getStart()) : Optional.empty();
    }

    private static Optional<Range> range(Object value) {
        if (value instanceof IntOrIntRange r && !r.getSimpleInt()) {
            return r.getStart() >= 0 && r.getEndInclusive() >= r.getStart() ? Optional.of(new Range(r.getStart() / 100.0, r.getEndInclusive() / 100.0)) : Optional.empty();
        }
        return value instanceof IntRange r ? r.getFirst() >= 0 && r.getLast() >= r.getFirst() ? Optional.of(new Range(r.getFirst() / 100.0, r.getLast() / 100.0)) : Optional.empty()
            : whole(value).filter(v -> v > 0).map(v -> Range.only(v / 100.0));
    }

    private static int number(Object value) {
        return value instanceof Number n ? n.intValue() : value instanceof com.hp.jipp.encoding.Enum e ? e.getCode() : 0;
    }

    /** A text without what no database and no screen takes, of a length that IPP allows. */
    private static String plain(Object value) {
        String text = value instanceof Stringable s ? s.asString() : value instanceof TaggedValue t ? String.valueOf(t.getValue()) : String.valueOf(value);
        String clean = text.replaceAll("\\p{Cntrl}", "");
        return clean.length() > LONGEST_TEXT ? clean.substring(0, LONGEST_TEXT) : clean;
    }
}
