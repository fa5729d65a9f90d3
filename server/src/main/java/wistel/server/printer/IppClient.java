package wistel.server.printer;

import static wistel.server.printer.IppValues.first;
import static wistel.server.printer.IppValues.keywords;
import static wistel.server.printer.IppValues.value;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.IppOutputStream;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.Name;
import com.hp.jipp.encoding.OtherString;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.encoding.UnknownAttribute;
import com.hp.jipp.model.Operation;
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
import java.util.List;
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
import wistel.core.printer.Keywords;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.server.outside.BoundedBody;
import wistel.server.outside.BoundedRequest;

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

    public Described describe(String uri) {
        IppPacket answer = call(uri, Operation.getPrinterAttributes,
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
                return IppJob.address(address).map(
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
        IppPacket answer = call(uri, Operation.getPrinterAttributes, List.of(keywords("requested-attributes", "printer-state-reasons")),
            List.of());
        AttributeGroup p = answer.get(Tag.printerAttributes);
        return p == null ? "" : StopReasons.words(IppValues.strings(p, "printer-state-reasons"));
    }

    /**
     * Announces a job; its document follows. The printer is asked to take it exactly as it is or not at all.
     *
     * @throws PrinterException SUBSTITUTES when it took the job but names settings that it will not follow; the job is cancelled then
     */
    public int createJob(String uri, IppTicket ticket) {
        List<Attribute<?>> operation = List.of(new UnknownAttribute("job-name", List.of(new Name(ticket.jobName()))),
            new UnknownAttribute("ipp-attribute-fidelity", List.of(true)));
        IppPacket answer = call(uri, Operation.createJob, operation, ticket.attributes());
        AttributeGroup job = answer.get(Tag.jobAttributes);
        int id = Optional.ofNullable(job).flatMap(j -> value(j, "job-id")).map(IppValues::number)
            .orElseThrow(() -> new PrinterException(PrinterException.Reason.UNCLEAR, "The printer took the job but gave it no number.",
                "Release the docket again."));
        List<String> ignored = answer.getAttributeGroups().stream().filter(g -> g.getTag().equals(Tag.unsupportedAttributes))
            .flatMap(g -> g.stream().map(Attribute::getName)).filter(n -> !n.equals("ipp-attribute-fidelity")).toList();
        List<String> other = ignored.isEmpty() ? ticket.substituted(job(uri, id)) : ignored.stream().map(Keywords::words).toList();
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
    public Optional<String> validate(String uri, IppTicket ticket) {
        try {
            IppPacket answer = call(uri, Operation.validateJob,
                List.of(new UnknownAttribute("job-name", List.of(new Name(ticket.jobName()))),
                    new UnknownAttribute("ipp-attribute-fidelity", List.of(true)),
                    IppValues.mime("document-format", "image/pwg-raster")),
                ticket.attributes());
            return answer.getCode() == 0 ? Optional.empty() : Optional.of("it would print it with other settings");
        } catch (PrinterException e) {
            if (e.reason() == PrinterException.Reason.REFUSED) {
                return Optional.of(e.getMessage());
            }
            throw e;
        }
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
        CountedFile body = new CountedFile(packet(uri, Operation.sendDocument, operation, List.of()), document);
        HttpRequest request = HttpRequest.newBuilder(http(uri)).header("Content-Type", "application/ipp").POST(body.publisher()).build();
        CompletableFuture<HttpResponse<byte[]>> answer = http.sendAsync(request, BoundedBody.upTo(LARGEST_ANSWER));
        long sent = -1;
        long moved = System.nanoTime();
        while (true) {
            try {
                IppStatus.understood(uri, answer.get(1, TimeUnit.SECONDS));
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

    public IppJob job(String uri, int jobId) {
        IppPacket answer = call(uri, Operation.getJobAttributes, List.of(IppValues.ints("job-id", jobId)), List.of());
        return IppJob.of(answer.get(Tag.jobAttributes));
    }

    /** Finds the newest job by the name it was announced with, over or not. */
    public Optional<Integer> findJob(String uri, String jobName) {
        for (String which : List.of("not-completed", "completed")) {
            IppPacket answer = call(uri, Operation.getJobs,
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
        call(uri, Operation.cancelJob, List.of(IppValues.ints("job-id", jobId)), List.of());
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

    private byte[] packet(String uri, Operation operation, List<Attribute<?>> attributes, List<Attribute<?>> jobAttributes) {
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
        new IppOutputStream(packet).write(new IppPacket(0x0200, operation.getCode(), requests.incrementAndGet() & 0x7FFFFFFF, groups));
        return packet.toByteArray();
    }

    private IppPacket call(String uri, Operation operation, List<Attribute<?>> attributes, List<Attribute<?>> jobAttributes) {
        HttpRequest request = HttpRequest.newBuilder(http(uri)).header("Content-Type", "application/ipp")
            .POST(BodyPublishers.ofByteArray(packet(uri, operation, attributes, jobAttributes))).build();
        return IppStatus.understood(uri, answered(uri, request, BoundedBody.upTo(LARGEST_ANSWER), PATIENCE));
    }

    /** The whole answer within the time, and within the bytes. */
    private HttpResponse<byte[]> answered(String uri, HttpRequest request, HttpResponse.BodyHandler<byte[]> body, Duration patience) {
        try {
            return BoundedRequest.answered(http, request, body, patience);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw interrupted(e);
        } catch (TimeoutException e) {
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

    private static URI http(String uri) {
        URI ipp = URI.create(uri);
        return URI.create("http://" + ipp.getHost() + ":" + port(ipp, 631) + ipp.getPath());
    }
}
