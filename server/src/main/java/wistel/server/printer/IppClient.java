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
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;
import wistel.core.fault.PrinterException;
import wistel.core.length.Margins;
import wistel.core.printer.Capabilities;
import wistel.core.printer.Capabilities.Media;
import wistel.core.printer.Keywords;

/** IPP over HTTP (RFC 8010, 8011; PWG 5100.14) as a client of any printer. It knows nothing of who answers. */
@Component
public class IppClient {
    private static final Duration PATIENCE = Duration.ofSeconds(8);
    private static final int LARGEST_ANSWER = 8 << 20;

    private final HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).connectTimeout(Duration.ofSeconds(3)).build();
    private final AtomicInteger requests = new AtomicInteger();

    /** What a printer says of itself and of its state now. */
    public record Described(String name, String state, String reason, String moreInfo, Capabilities capabilities) {
    }

    /** A job as the printer sees it: state codes of RFC 8011, 5.3.7; percent below 0 when it doesn't say. */
    public record JobSeen(int id, String name, int state, List<String> reasons, int percent, Optional<URI> scan) {
        public boolean over() {
            return state >= 7;
        }

        public boolean completed() {
            return state == 9;
        }

        public boolean waitsForPaper() {
            return state == 6;
        }

        public boolean lacksDocument() {
            return reasons.contains("job-incoming") || reasons.contains("job-data-insufficient");
        }
    }

    /** What is asked of the printer besides the document. */
    public record Ticket(String jobName, String mediaType, String feed, double widthMm, double heightMm, Margins margins, int quality, int copies) {
    }

    public Described describe(String uri) {
        IppPacket answer = call(uri, 0x0b, List.of(keywords("requested-attributes", "printer-description", "job-template", "media-col-database")), Optional.empty(),
            List.of());
        AttributeGroup p = answer.get(Tag.printerAttributes);
        if (p == null) {
            throw new PrinterException("printer-unclear", "The printer at " + uri + " answered without describing itself.", "Check that this is a printer's IPP address.");
        }
        int state = value(p, "printer-state").map(IppClient::number).orElse(3);
        List<String> reasons = strings(p, "printer-state-reasons").stream().filter(r -> !r.equals("none")).toList();
        String words = reasons.stream().map(r -> Keywords.words(r.replaceFirst("-(error|warning|report)$", ""))).reduce((a, b) -> a + ", " + b).orElse("");
        return new Described(first(p, "printer-name"), state == 5 ? "stopped" : state == 4 ? "printing" : "idle", state == 5 ? words : "",
            first(p, "printer-more-info"), capabilities(p));
    }

    private static Capabilities capabilities(AttributeGroup p) {
        List<Media> media = collections(p, "media-col-database").stream().map(IppClient::media).flatMap(Optional::stream).toList();
        List<Media> loaded = collections(p, "media-col-ready").stream().map(IppClient::media).flatMap(Optional::stream).toList();
        return new Capabilities(first(p, "printer-make-and-model"), media, strings(p, "media-type-supported"), strings(p, "media-source-supported"),
            all(p, "print-quality-supported").stream().map(IppClient::number).toList(),
            all(p, "pwg-raster-document-resolution-supported").stream().filter(Resolution.class::isInstance).map(r -> ((Resolution) r).getX()).sorted().toList(),
            strings(p, "pwg-raster-document-type-supported"), strings(p, "document-format-supported"), loaded);
    }

    private static Optional<Media> media(AttributeCollection c) {
        Optional<AttributeCollection> size = member(c, "media-size").filter(AttributeCollection.class::isInstance).map(AttributeCollection.class::cast);
        Optional<Integer> x = size.flatMap(s -> member(s, "x-dimension")).flatMap(IppClient::whole);
        Optional<Integer> y = size.flatMap(s -> member(s, "y-dimension")).flatMap(IppClient::whole);
        // widths and lengths given as ranges (custom sizes, rolls) have no margins of one sheet and are left out here
        if (x.isEmpty() || y.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Media(member(c, "media-type").map(IppClient::plain).orElse(""), member(c, "media-source").map(IppClient::plain).orElse(""),
            x.get() / 100.0, y.get() / 100.0, new Margins(margin(c, "top"), margin(c, "right"), margin(c, "bottom"), margin(c, "left"))));
    }

    private static double margin(AttributeCollection c, String side) {
        return member(c, "media-" + side + "-margin").flatMap(IppClient::whole).orElse(0) / 100.0;
    }

    /** Announces a job; its document follows. */
    public int createJob(String uri, Ticket ticket) {
        List<Attribute<?>> operation = List.of(new UnknownAttribute("job-name", List.of(new Name(ticket.jobName))));
        IppPacket answer = call(uri, 0x05, operation, Optional.empty(), jobAttributes(ticket));
        AttributeGroup job = answer.get(Tag.jobAttributes);
        return Optional.ofNullable(job).flatMap(j -> value(j, "job-id")).map(IppClient::number)
            .orElseThrow(() -> new PrinterException("printer-unclear", "The printer took the job but gave it no number.", "Release the docket again."));
    }

    private static List<Attribute<?>> jobAttributes(Ticket t) {
        List<Attribute<?>> media = new ArrayList<>();
        media.add(new UnknownAttribute("media-size", List.of(new UntypedCollection(List.of(ints("x-dimension", hundredths(t.widthMm)),
            ints("y-dimension", hundredths(t.heightMm)))))));
        if (!t.mediaType.isEmpty()) {
            media.add(keywords("media-type", t.mediaType));
        }
        if (!t.feed.isEmpty()) {
            media.add(keywords("media-source", t.feed));
        }
        media.add(ints("media-top-margin", hundredths(t.margins.top())));
        media.add(ints("media-bottom-margin", hundredths(t.margins.bottom())));
        media.add(ints("media-left-margin", hundredths(t.margins.left())));
        media.add(ints("media-right-margin", hundredths(t.margins.right())));
        return List.of(new UnknownAttribute("media-col", List.of(new UntypedCollection(media))),
            new UnknownAttribute("print-quality", List.of(new UntypedEnum(t.quality))), ints("copies", t.copies),
            keywords("print-scaling", "none"), keywords("sides", "one-sided"));
    }

    /** Sends the one document of a job. */
    public void sendDocument(String uri, int jobId, Path document, String format) throws IOException {
        List<Attribute<?>> operation = List.of(ints("job-id", jobId), mime("document-format", format), new UnknownAttribute("last-document", List.of(true)));
        call(uri, 0x06, operation, Optional.of(BodyPublishers.ofFile(document)), List.of());
    }

    public JobSeen job(String uri, int jobId) {
        IppPacket answer = call(uri, 0x09, List.of(ints("job-id", jobId)), Optional.empty(), List.of());
        return seen(answer.get(Tag.jobAttributes));
    }

    /** Finds a job by the name it was announced with, over or not. */
    public Optional<Integer> findJob(String uri, String jobName) {
        for (String which : List.of("not-completed", "completed")) {
            IppPacket answer = call(uri, 0x0a, List.of(keywords("which-jobs", which), keywords("requested-attributes", "job-id", "job-name")),
                Optional.empty(), List.of());
            Optional<Integer> found = answer.getAttributeGroups().stream()
                .filter(g -> g.getTag() == Tag.jobAttributes && first(g, "job-name").equals(jobName))
                .map(g -> value(g, "job-id").map(IppClient::number).orElse(0)).filter(id -> id > 0).findFirst();
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    public void cancel(String uri, int jobId) {
        call(uri, 0x08, List.of(ints("job-id", jobId)), Optional.empty(), List.of());
    }

    private static JobSeen seen(AttributeGroup job) {
        if (job == null) {
            throw new PrinterException("printer-unclear", "The printer said nothing of the job.", "Wistel asks again by itself.");
        }
        return new JobSeen(value(job, "job-id").map(IppClient::number).orElse(0), first(job, "job-name"), value(job, "job-state").map(IppClient::number).orElse(5),
            strings(job, "job-state-reasons"), value(job, "wistel-percent-laid-down").map(IppClient::number).orElse(-1),
            Optional.of(first(job, "wistel-scan-uri")).filter(u -> !u.isEmpty()).map(URI::create));
    }

    /** Fetches a scan that the job offered; only from the printer's own host. */
    public InputStream fetch(String printerUri, URI scan) throws IOException, InterruptedException {
        if (!http(printerUri).getAuthority().equals(scan.getAuthority())) {
            throw new PrinterException("scan-elsewhere", "The printer offered a scan from another host.", "It was not fetched.");
        }
        HttpResponse<InputStream> answer = http.send(HttpRequest.newBuilder(scan).timeout(Duration.ofSeconds(60)).build(), HttpResponse.BodyHandlers.ofInputStream());
        if (answer.statusCode() != 200) {
            answer.body().close();
            throw new IOException("scan answered " + answer.statusCode());
        }
        return answer.body();
    }

    private IppPacket call(String uri, int operation, List<Attribute<?>> attributes, Optional<BodyPublisher> document, List<Attribute<?>> jobAttributes) {
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
            BodyPublisher body = document.map(d -> BodyPublishers.concat(BodyPublishers.ofByteArray(packet.toByteArray()), d))
                .orElse(BodyPublishers.ofByteArray(packet.toByteArray()));
            HttpRequest request = HttpRequest.newBuilder(http(uri)).header("Content-Type", "application/ipp")
                .timeout(document.isPresent() ? Duration.ofMinutes(10) : PATIENCE).POST(body).build();
            HttpResponse<InputStream> answer = http.send(request, HttpResponse.BodyHandlers.ofInputStream());
            byte[] bytes;
            try (InputStream in = answer.body()) {
                bytes = in.readNBytes(LARGEST_ANSWER);
            }
            if (answer.statusCode() != 200) {
                throw new PrinterException("printer-refused", "The printer's address answered with HTTP " + answer.statusCode() + ".", "Check its IPP address.");
            }
            IppPacket packetIn = IppPacket.read(new ByteArrayInputStream(bytes));
            if (packetIn.getCode() == 0x0406) {
                throw new PrinterException("printer-lost-job", "The printer doesn't know this job any more.", "Look whether a sheet came out.");
            }
            if (packetIn.getCode() >= 0x0400) {
                throw new PrinterException("printer-refused", "The printer refused: " + refusal(packetIn.getCode()) + ".", "Check the docket's machine settings against the printer.");
            }
            return packetIn;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new PrinterException("printer-interrupted", "The talk with the printer was interrupted.", "Wistel goes on when it is started again.", e);
        } catch (IOException e) {
            throw new PrinterException("printer-away", "The printer at " + uri + " doesn't answer.", "Switch it on, or check its cable; Wistel goes on by itself.", e);
        }
    }

    private static String refusal(int code) {
        return switch (code) {
            case 0x0400 -> "it didn't understand the request";
            case 0x0404 -> "not possible now";
            case 0x040a -> "it doesn't take this file format";
            case 0x040b -> "it doesn't offer these settings together";
            case 0x0507 -> "it is busy";
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
        return new UnknownAttribute(name, java.util.Arrays.stream(values).map(v -> (Object) new KeywordOrName(v)).toList());
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

    private static int number(Object value) {
        return value instanceof Number n ? n.intValue() : value instanceof com.hp.jipp.encoding.Enum e ? e.getCode() : 0;
    }

    private static String plain(Object value) {
        return value instanceof Stringable s ? s.asString() : value instanceof TaggedValue t ? String.valueOf(t.getValue()) : String.valueOf(value);
    }
}
