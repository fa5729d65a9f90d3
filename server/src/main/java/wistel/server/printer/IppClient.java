package wistel.server.printer;

import static wistel.server.printer.IppValues.first;
import static wistel.server.printer.IppValues.keywords;
import static wistel.server.printer.IppValues.member;
import static wistel.server.printer.IppValues.value;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeCollection;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.IppInputStream;
import com.hp.jipp.encoding.IppOutputStream;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.Name;
import com.hp.jipp.encoding.OtherString;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.encoding.UnknownAttribute;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
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
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;
import wistel.core.fault.PrinterException;
import wistel.core.length.Margins;
import wistel.core.printer.Conflict;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.Keywords;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.printer.ValueSet;

/** IPP over HTTP (RFC 8010, 8011; PWG 5100.14) as a client of any printer. It knows nothing of who answers. */
@Component
public class IppClient {
    private static final Duration PATIENCE = Duration.ofSeconds(8);
    private static final Duration SCAN_PATIENCE = Duration.ofMinutes(3);
    private static final int LARGEST_ANSWER = 8 << 20;
    private static final int MOST_WORDS_BYTES = 16 << 20;

    private final HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).connectTimeout(Duration.ofSeconds(3))
        .build();
    /** By printer and address; asked for again after a while, as printers are updated. */
    private final Cache<String, Map<String, String>> strings = Caffeine.newBuilder().maximumWeight(MOST_WORDS_BYTES)
        .weigher((String key, Map<String, String> words) -> 200
            + words.entrySet().stream().mapToInt(e -> 100 + 2 * (e.getKey().length() + e.getValue().length())).sum())
        .expireAfterWrite(Duration.ofMinutes(10)).build();
    private final AtomicInteger requests = new AtomicInteger();

    /** What a printer says of itself and of its state now; the UUID is empty when it tells none. */
    public record Described(String uuid, String name, PrinterState state, String moreInfo, PrinterDescription description) {
    }

    /** Where its sheet can be read: by an instrument that takes spots, and as a flatbed sees it. */
    public record Readers(Optional<URI> instrument, Optional<URI> flatbed) {
    }

    /**
     * A job as the printer sees it: state codes of RFC 8011, 5.3.7; percent below 0 when it doesn't say; whether it was ever at work on it;
     * ink that went into it, 0 when it doesn't say; what it took of the settings, as far as it says.
     */
    public record JobSeen(int id, String name, int state, List<String> reasons, int percent, boolean begun, Optional<URI> scan,
        Readers readers, double inkMl, Map<String, String> took) {
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

    /**
     * What is asked of the printer besides the document.
     *
     * @param asked    settings and paper
     * @param known    syntaxes of settings; those that the printer doesn't know are left out
     */
    public record Ticket(String jobName, JobRequest asked, Map<String, ValueSet> known, Margins margins, int copies, double overMm) {
    }

    public Described describe(String uri) {
        IppPacket answer = call(uri, 0x0b,
            List.of(keywords("requested-attributes", "printer-description", "job-template", "media-col-database", "media-col-ready",
                "job-constraints-supported",
                "job-resolvers-supported", "printer-supply", "printer-supply-description", "printer-strings-uri", "all")),
            List.of());
        AttributeGroup p = answer.get(Tag.printerAttributes);
        if (p == null) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "The printer at " + uri + " answered without describing itself.",
                "Check that this is a printer's IPP address.");
        }
        return new Described(first(p, "printer-uuid"), first(p, "printer-name"), IppDescription.state(p),
            page(first(p, "printer-more-info")),
            IppDescription.description(p, words(uri, first(p, "printer-uuid"), first(p, "printer-strings-uri"))));
    }

    /** The printer's own words for its settings; a file that can't be had or read leaves the keywords as they are. */
    private Map<String, String> words(String printer, String uuid, String address) {
        if (address.isEmpty()) {
            return Map.of();
        }
        return strings.get(uuid + " " + address, key -> {
            try {
                return address(address).map(
                    uri -> PrinterStrings.read(new String(fetch(printer, uri, PrinterStrings.LARGEST, PATIENCE), StandardCharsets.UTF_8)))
                    .orElse(Map.of());
            } catch (PrinterException e) {
                if (e.reason() == PrinterException.Reason.INTERRUPTED) {
                    throw e;
                }
                return Map.of();
            }
        });
    }

    /** An address that may stand behind a link. */
    private static String page(String address) {
        return address.startsWith("http://") || address.startsWith("https://") ? address : "";
    }

    /** Why a printer waits, in words: what it says of itself; empty when it says nothing. */
    public String stopReason(String uri) {
        IppPacket answer = call(uri, 0x0b, List.of(keywords("requested-attributes", "printer-state-reasons")), List.of());
        AttributeGroup p = answer.get(Tag.printerAttributes);
        return p == null ? "" : StopReasons.words(IppValues.strings(p, "printer-state-reasons"));
    }

    /**
     * Announces a job; its document follows. The printer is asked to take it exactly as it is or not at all.
     *
     * @throws PrinterException SUBSTITUTES when it took the job but names settings that it will not follow; the job is cancelled then
     */
    public int createJob(String uri, Ticket ticket) {
        List<Attribute<?>> operation = List.of(new UnknownAttribute("job-name", List.of(new Name(ticket.jobName))),
            new UnknownAttribute("ipp-attribute-fidelity", List.of(true)));
        IppPacket answer = call(uri, 0x05, operation, jobAttributes(ticket));
        AttributeGroup job = answer.get(Tag.jobAttributes);
        int id = Optional.ofNullable(job).flatMap(j -> value(j, "job-id")).map(IppValues::number)
            .orElseThrow(() -> new PrinterException(PrinterException.Reason.UNCLEAR, "The printer took the job but gave it no number.",
                "Release the docket again."));
        List<String> ignored = answer.getAttributeGroups().stream().filter(g -> g.getTag().equals(Tag.unsupportedAttributes))
            .flatMap(g -> g.stream().map(Attribute::getName)).filter(n -> !n.equals("ipp-attribute-fidelity")).toList();
        List<String> other = ignored.isEmpty() ? substituted(ticket, job(uri, id)) : ignored.stream().map(Keywords::words).toList();
        if (!other.isEmpty()) {
            cancel(uri, id);
            throw new PrinterException(PrinterException.Reason.SUBSTITUTES,
                "The printer would print this with other settings: " + String.join(", ", other) + ".",
                "Nothing was printed. Set the docket to what the printer offers.");
        }
        return id;
    }

    /**
     * Whether the printer would take such a job exactly as it is (Validate-Job).
     *
     * @return empty when it would; else why not, in words
     */
    public Optional<String> validate(String uri, Ticket ticket) {
        try {
            IppPacket answer = call(uri, 0x04,
                List.of(new UnknownAttribute("job-name", List.of(new Name(ticket.jobName))),
                    new UnknownAttribute("ipp-attribute-fidelity", List.of(true)),
                    IppValues.mime("document-format", "image/pwg-raster")),
                jobAttributes(ticket));
            return answer.getCode() == 0 ? Optional.empty() : Optional.of("it would print it with other settings");
        } catch (PrinterException e) {
            if (e.reason() == PrinterException.Reason.REFUSED) {
                return Optional.of(e.getMessage());
            }
            throw e;
        }
    }

    /** What a job says that it took against what was asked for; what it doesn't say is taken as asked. */
    private static List<String> substituted(Ticket ticket, JobSeen job) {
        Map<String, String> asked = new LinkedHashMap<>(ticket.asked.settings());
        asked.put("copies", Integer.toString(ticket.copies));
        asked.put("x-dimension", Integer.toString(hundredths(ticket.asked.widthMm())));
        asked.put("y-dimension", Integer.toString(hundredths(ticket.asked.lengthMm())));
        return asked.entrySet().stream()
            .filter(e -> !e.getValue().isEmpty() && job.took.containsKey(e.getKey()) && !job.took.get(e.getKey()).equals(e.getValue()))
            .map(e -> Keywords.words(e.getKey()) + " " + Keywords.words(job.took.get(e.getKey())) + " instead of "
                + Keywords.words(e.getValue()))
            .toList();
    }

    private static List<Attribute<?>> jobAttributes(Ticket t) {
        JobRequest asked = t.asked;
        List<Attribute<?>> media = new ArrayList<>();
        media.add(IppValues.collection("media-size", List.of(IppValues.ints("x-dimension", hundredths(asked.widthMm())),
            IppValues.ints("y-dimension", hundredths(asked.lengthMm())))));
        for (String name : List.of(DriverSettings.MEDIA_TYPE, DriverSettings.FEED)) {
            if (!asked.get(name).isEmpty()) {
                media.add(keywords(name, asked.get(name)));
            }
        }
        if (asked.thicknessMm() > 0 && t.known.containsKey(Conflict.THICKNESS)) {
            media.add(IppValues.ints(Conflict.THICKNESS, hundredths(asked.thicknessMm())));
        }
        media.add(IppValues.ints("media-top-margin", hundredths(t.margins.top())));
        media.add(IppValues.ints("media-bottom-margin", hundredths(t.margins.bottom())));
        media.add(IppValues.ints("media-left-margin", hundredths(t.margins.left())));
        media.add(IppValues.ints("media-right-margin", hundredths(t.margins.right())));
        List<Attribute<?>> job = new ArrayList<>(List.of(IppValues.collection("media-col", media), IppValues.ints("copies", t.copies),
            keywords("print-scaling", "none"), keywords("sides", "one-sided")));
        asked.settings().forEach((name, value) -> {
            ValueSet known = t.known.get(name);
            if (known != null && !value.isEmpty() && !name.startsWith("media-")) {
                IppValues.setting(name, value, known.syntax()).ifPresent(job::add);
            } else if (known == null && name.equals(DriverSettings.QUALITY)) {
                job.add(IppValues.enums(name, Integer.parseInt(value)));
            }
        });
        if (t.overMm > 0 && t.known.containsKey(PrinterDescription.OVER_EDGE)) {
            job.add(IppValues.ints(PrinterDescription.OVER_EDGE, hundredths(t.overMm)));
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
     * Sends the one document of a job. There is no bound on the whole time: a printer may take its data as slowly as it prints. The watcher
     * breaks it off when nothing moves any more.
     */
    public void sendDocument(String uri, int jobId, Path document, String format, Sending watcher) throws IOException {
        List<Attribute<?>> operation = List.of(IppValues.ints("job-id", jobId), IppValues.mime("document-format", format),
            new UnknownAttribute("last-document", List.of(true)));
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
        IppPacket answer = call(uri, 0x09, List.of(IppValues.ints("job-id", jobId)), List.of());
        return seen(answer.get(Tag.jobAttributes));
    }

    /** Finds the newest job by the name it was announced with, over or not. */
    public Optional<Integer> findJob(String uri, String jobName) {
        for (String which : List.of("not-completed", "completed")) {
            IppPacket answer = call(uri, 0x0a,
                List.of(keywords("which-jobs", which), keywords("requested-attributes", "job-id", "job-name")), List.of());
            Optional<Integer> found = answer.getAttributeGroups().stream()
                .filter(g -> g.getTag().equals(Tag.jobAttributes) && first(g, "job-name").equals(jobName))
                .map(g -> value(g, "job-id").map(IppValues::number).orElse(0)).filter(id -> id > 0).max(Integer::compare);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    public void cancel(String uri, int jobId) {
        call(uri, 0x08, List.of(IppValues.ints("job-id", jobId)), List.of());
    }

    private static JobSeen seen(AttributeGroup job) {
        if (job == null) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "The printer said nothing of the job.",
                "Wistel asks again by itself.");
        }
        return new JobSeen(value(job, "job-id").map(IppValues::number).orElse(0), first(job, "job-name"),
            value(job, "job-state").map(IppValues::number).orElse(5),
            IppValues.strings(job, "job-state-reasons"), value(job, "wistel-percent-laid-down").map(IppValues::number).orElse(-1),
            value(job, "time-at-processing").map(IppValues::number).orElse(0) > 0,
            address(job, "wistel-scan-uri"), new Readers(address(job, "wistel-instrument-uri"), address(job, "wistel-flatbed-uri")),
            Math.max(0, value(job, "wistel-ink-microlitres").map(IppValues::number).orElse(0)) / 1000.0, took(job));
    }

    private static Optional<URI> address(AttributeGroup job, String name) {
        return Optional.of(first(job, name)).filter(u -> !u.isEmpty()).flatMap(IppClient::address);
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
        for (Attribute<?> a : job) {
            if (!a.isEmpty() && !a.getName().startsWith("job-") && !a.getName().equals("media-col")) {
                IppValues.setting(a.get(0)).ifPresent(v -> took.put(a.getName(), v));
            }
        }
        IppValues.collections(job, "media-col").stream().findFirst().ifPresent(media -> {
            for (String name : List.of(DriverSettings.MEDIA_TYPE, DriverSettings.FEED)) {
                member(media, name).map(IppValues::plain).ifPresent(v -> took.put(name, v));
            }
            member(media, "media-size").filter(AttributeCollection.class::isInstance).map(AttributeCollection.class::cast)
                .ifPresent(size -> {
                    for (String name : List.of("x-dimension", "y-dimension")) {
                        member(size, name).flatMap(IppValues::whole).ifPresent(v -> took.put(name, Integer.toString(v)));
                    }
                });
        });
        return took;
    }

    /** Fetches a file that the job offered; only from the printer's own host, whatever name it goes by. */
    public byte[] fetch(String printerUri, URI file, int most) {
        return fetch(printerUri, file, most, SCAN_PATIENCE);
    }

    private byte[] fetch(String printerUri, URI file, int most, Duration patience) {
        return had(printerUri, file, HttpRequest.Builder::GET, BoundedBody.upTo(most), patience);
    }

    /** As {@link #fetch(String, URI, int)}, written out as it comes. */
    public void fetch(String printerUri, URI file, int most, OutputStream out) {
        had(printerUri, file, HttpRequest.Builder::GET, BoundedBody.upTo(most, out), SCAN_PATIENCE);
    }

    /**
     * Hands spots to an instrument that the job offered, as lines of a name and x, y in mm from the sheet's upper left corner as it fed.
     */
    public byte[] read(String printerUri, URI instrument, String spots, int most) {
        return had(printerUri, instrument, request -> request.POST(HttpRequest.BodyPublishers.ofString(spots)), BoundedBody.upTo(most),
            SCAN_PATIENCE);
    }

    private byte[] had(String printerUri, URI file, UnaryOperator<HttpRequest.Builder> request, HttpResponse.BodyHandler<byte[]> body,
        Duration patience) {
        URI printer = http(printerUri);
        if (!"http".equalsIgnoreCase(file.getScheme()) || file.getHost() == null) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR,
                "The printer offers a file at “" + shortened(file) + "”, which is no address on it.", "It was not fetched.");
        }
        if (port(file, 80) != printer.getPort() || !sameHost(printer.getHost(), file.getHost())) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR,
                "The printer offers a file from another host, " + file.getHost() + ".", "It was not fetched.");
        }
        HttpResponse<byte[]> answer = answered(printerUri, request.apply(HttpRequest.newBuilder(file)).build(), body, patience);
        if (answer.statusCode() != 200) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR,
                "The printer offers a file and answers " + answer.statusCode() + " when it is asked for.", "Judge the sheet itself.");
        }
        return answer.body();
    }

    private static int port(URI uri, int usual) {
        return uri.getPort() < 0 ? usual : uri.getPort();
    }

    private static String shortened(URI uri) {
        String text = uri.toString();
        return text.length() <= 80 ? text : text.substring(0, 80) + "…";
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
        ByteArrayOutputStream packet = new ByteArrayOutputStream();
        new IppOutputStream(packet).write(new IppPacket(0x0200, operation, requests.incrementAndGet() & 0x7FFFFFFF, groups));
        return packet.toByteArray();
    }

    private IppPacket call(String uri, int operation, List<Attribute<?>> attributes, List<Attribute<?>> jobAttributes) {
        HttpRequest request = HttpRequest.newBuilder(http(uri)).header("Content-Type", "application/ipp")
            .POST(BodyPublishers.ofByteArray(packet(uri, operation, attributes, jobAttributes))).build();
        return understood(uri, answered(uri, request, BoundedBody.upTo(LARGEST_ANSWER), PATIENCE));
    }

    /** The whole answer within the time, and within the bytes. */
    private HttpResponse<byte[]> answered(String uri, HttpRequest request, HttpResponse.BodyHandler<byte[]> body, Duration patience) {
        CompletableFuture<HttpResponse<byte[]>> answer = http.sendAsync(request, body);
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
        return new PrinterException(PrinterException.Reason.INTERRUPTED, "The talk with the printer was interrupted.",
            "Wistel goes on when it is started again.", e);
    }

    private static PrinterException away(String uri, Throwable cause) {
        return new PrinterException(PrinterException.Reason.AWAY, "The printer at " + uri + " doesn't answer.",
            "Switch it on, or check its cable; Wistel goes on by itself.", cause);
    }

    private static IppPacket understood(String uri, HttpResponse<byte[]> answer) {
        if (answer.statusCode() == 503) {
            throw new PrinterException(PrinterException.Reason.BUSY, "The printer is busy.", "Wistel asks again by itself.");
        }
        if (answer.statusCode() >= 500) {
            throw new PrinterException(PrinterException.Reason.BUSY,
                "The printer has a fault of its own just now (HTTP " + answer.statusCode() + ").", "Wistel asks again by itself.");
        }
        if (answer.statusCode() != 200) {
            throw new PrinterException(PrinterException.Reason.REFUSED,
                "The printer's address answered with HTTP " + answer.statusCode() + ".", "Check its IPP address.");
        }
        IppPacket packet;
        try {
            packet = new IppInputStream(new ByteArrayInputStream(answer.body())).readPacket();
        } catch (IOException | RuntimeException | StackOverflowError e) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "What answers at " + uri + " is not understood.",
                "Check that this is a printer's IPP address.");
        }
        int code = packet.getCode();
        if (code == 0x0406 || code == 0x0405) {
            throw new PrinterException(PrinterException.Reason.LOST_JOB, "The printer doesn't know this job any more.",
                "Look whether a sheet came out.");
        }
        if (WAIT.containsKey(code)) {
            throw new PrinterException(PrinterException.Reason.BUSY, "The printer " + WAIT.get(code) + ".", "Wistel asks again by itself.");
        }
        if (code >= 0x0400) {
            throw new PrinterException(PrinterException.Reason.REFUSED, "The printer refused: " + refusal(code) + ".",
                "Check the docket's machine settings against the printer.");
        }
        return packet;
    }

    /** Refusals that pass by themselves (RFC 8011, 5.1.8, and PWG 5100.13). */
    private static final Map<Integer, String> WAIT = Map.of(0x0502, "is not available just now", 0x0505, "has a passing error", 0x0506,
        "takes no jobs just now", 0x0507, "is busy",
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
        return URI.create("http://" + ipp.getHost() + ":" + port(ipp, 631) + ipp.getPath());
    }

    private static int hundredths(double mm) {
        return (int) Math.round(mm * 100);
    }
}
