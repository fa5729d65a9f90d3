package wistel.standin.ipp;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeCollection;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.IppInputStream;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.Resolution;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.model.Operation;
import com.hp.jipp.model.Status;
import java.io.IOException;
import java.io.InputStream;
import java.io.PushbackInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.Inflater;
import java.util.zip.InflaterInputStream;
import wistel.standin.room.MachineModel;
import wistel.standin.room.PrintJob.State;
import wistel.standin.room.PrintJob;
import wistel.standin.room.RoomPrinter;
import wistel.standin.room.Ticket;

/** Answers IPP requests for a printer. Each operation is one method; whatever is wrong with a packet ends in an IPP status. */
public final class IppService {
    private final RoomPrinter printer;
    private final PrinterDescription description;
    private volatile boolean busy;
    private volatile Optional<String> scanAddress = Optional.empty();

    public IppService(RoomPrinter printer, String authority) {
        this.printer = printer;
        this.description = new PrinterDescription(printer, authority);
    }

    /** Its words for people, as a strings file. */
    public String strings() {
        return description.strings();
    }

    /** While it is busy it takes no new jobs. */
    public void busy(boolean next) {
        busy = next;
    }

    /** Offers scans at an address of somebody's making. */
    public void scanAddress(String address) {
        scanAddress = Optional.of(address).filter(a -> !a.isEmpty());
    }

    /** Reads one request and its document from the stream. */
    public IppPacket answer(InputStream body) throws IOException {
        IppInputStream in = new IppInputStream(body);
        IppPacket request;
        try {
            request = in.readPacket();
        } catch (IOException | RuntimeException | StackOverflowError e) {
            return reply(2, 1, Status.Code.clientErrorBadRequest, List.of());
        }
        int version = request.getVersionNumber();
        try {
            return checked(request).orElseGet(() -> {
                try {
                    return operate(request, in);
                } catch (IOException e) {
                    return reply(request, Status.Code.clientErrorBadRequest);
                }
            });
        } catch (RuntimeException | StackOverflowError e) {
            return reply(version, request.getRequestId(), Status.Code.clientErrorBadRequest, List.of());
        }
    }

    private Optional<IppPacket> checked(IppPacket request) {
        int major = request.getVersionNumber() >> 8;
        if (major != 1 && major != 2) {
            return Optional.of(reply(0x0101, request.getRequestId(), Status.Code.serverErrorVersionNotSupported, List.of()));
        }
        AttributeGroup operation = request.get(Tag.operationAttributes);
        boolean headed = operation != null && operation.size() >= 2 && operation.get(0).getName().equals("attributes-charset")
            && operation.get(1).getName().equals("attributes-natural-language");
        boolean addressed = headed && (operation.get("printer-uri") != null || operation.get("job-uri") != null);
        return request.getRequestId() < 1 || !addressed ? Optional.of(reply(request, Status.Code.clientErrorBadRequest)) : Optional.empty();
    }

    private IppPacket operate(IppPacket request, InputStream document) throws IOException {
        return switch (request.getCode()) {
            case Operation.Code.printJob -> printJob(request, document);
            case Operation.Code.validateJob -> validateJob(request);
            case Operation.Code.createJob -> createJob(request);
            case Operation.Code.sendDocument -> sendDocument(request, document);
            case Operation.Code.cancelJob -> cancelJob(request);
            case Operation.Code.getJobAttributes -> jobAttributes(request);
            case Operation.Code.getJobs -> getJobs(request);
            case Operation.Code.getPrinterAttributes -> printerAttributes(request);
            case Operation.Code.releaseJob -> withJob(request,
                job -> reply(request, printer.release(job.id()) ? Status.Code.successfulOk : Status.Code.clientErrorNotPossible));
            case Operation.Code.cancelMyJobs -> cancelMyJobs(request);
            case Operation.Code.closeJob -> withJob(request, job -> jobReply(request, job));
            case Operation.Code.identifyPrinter -> reply(request, Status.Code.successfulOk);
            default -> reply(request, Status.Code.serverErrorOperationNotSupported);
        };
    }

    // --- operations ---

    private IppPacket printJob(IppPacket request, InputStream document) throws IOException {
        int refused = refusal(request);
        if (refused != Status.Code.successfulOk) {
            return reply(request, refused);
        }
        PrintJob.Seen job = printer.create(ticket(request));
        return jobReply(request, receive(request, job.id(), document));
    }

    private IppPacket validateJob(IppPacket request) {
        return reply(request, refusal(request));
    }

    private IppPacket createJob(IppPacket request) {
        int refused = refusal(request);
        return refused != Status.Code.successfulOk ? reply(request, refused) : jobReply(request, printer.create(ticket(request)));
    }

    private IppPacket sendDocument(IppPacket request, InputStream document) throws IOException {
        int refused = refusal(request);
        if (refused != Status.Code.successfulOk) {
            return reply(request, refused);
        }
        if (operation(request, "last-document").isEmpty()) {
            return reply(request, Status.Code.clientErrorBadRequest);
        }
        int id = jobId(request);
        Optional<PrintJob.Seen> job = printer.job(id);
        if (job.isEmpty()) {
            return reply(request, Status.Code.clientErrorNotFound);
        }
        if (printer.hasDocument(id) || job.get().state().over()) {
            return reply(request, Status.Code.clientErrorNotPossible);
        }
        return jobReply(request, receive(request, id, document));
    }

    private PrintJob.Seen receive(IppPacket request, int id, InputStream document) throws IOException {
        String format = operation(request, "document-format").orElse("image/pwg-raster");
        InputStream plain = switch (operation(request, "compression").orElse("none")) {
            case "gzip" -> new GZIPInputStream(document);
            case "deflate" -> new InflaterInputStream(document, new Inflater(true));
            default -> document;
        };
        if (format.equals("application/octet-stream")) {
            PushbackInputStream peek = new PushbackInputStream(plain, 2);
            byte[] head = peek.readNBytes(2);
            peek.unread(head);
            plain = peek;
            format = head.length == 2 && (head[0] & 0xFF) == 0xFF ? "image/jpeg" : "image/pwg-raster";
        }
        return printer.receive(id, plain, format);
    }

    private IppPacket cancelJob(IppPacket request) {
        return withJob(request,
            job -> reply(request, printer.cancel(job.id()) ? Status.Code.successfulOk : Status.Code.clientErrorNotPossible));
    }

    private IppPacket cancelMyJobs(IppPacket request) {
        String user = user(request);
        printer.jobs().stream().filter(j -> j.ticket().user().equals(user)).forEach(j -> printer.cancel(j.id()));
        return reply(request, Status.Code.successfulOk);
    }

    private IppPacket jobAttributes(IppPacket request) {
        return withJob(request, job -> {
            Set<String> wanted = requested(request);
            List<Attribute<?>> attributes = new ArrayList<>(describe(job));
            attributes.removeIf(a -> !wanted(wanted, a.getName(), Set.of("job-description", "job-template", "all")));
            return reply(request.getVersionNumber(), request.getRequestId(), Status.Code.successfulOk,
                List.of(AttributeGroup.groupOf(Tag.jobAttributes, attributes)));
        });
    }

    private IppPacket getJobs(IppPacket request) {
        String which = operation(request, "which-jobs").orElse("not-completed");
        if (!Set.of("completed", "not-completed", "all").contains(which)) {
            return reply(request, Status.Code.clientErrorAttributesOrValuesNotSupported);
        }
        boolean mine = operation(request, "my-jobs").orElse("false").equals("true");
        int limit = operation(request, "limit").map(Integer::parseInt).orElse(Integer.MAX_VALUE);
        Set<String> wanted = requested(request);
        Set<String> fields = wanted.isEmpty() ? Set.of("job-id", "job-uri") : wanted;
        List<AttributeGroup> groups = printer.jobs().stream()
            .filter(j -> which.equals("all") || which.equals("completed") == j.state().over())
            .filter(j -> !mine || j.ticket().user().equals(user(request)))
            .limit(limit)
            .map(j -> AttributeGroup.groupOf(Tag.jobAttributes, describe(j).stream()
                .filter(a -> wanted(fields, a.getName(), Set.of("job-description", "job-template", "all"))).toList()))
            .collect(Collectors.toList());
        return reply(request.getVersionNumber(), request.getRequestId(), Status.Code.successfulOk, groups);
    }

    private IppPacket printerAttributes(IppPacket request) {
        Set<String> wanted = requested(request);
        List<Attribute<?>> attributes = new ArrayList<>(description.attributes());
        // the media database is long: only for those who ask for it by name (PWG 5100.7, 6.9.13)
        attributes.removeIf(a -> a.getName().equals("media-col-database") ? !wanted.contains("media-col-database")
            : !wanted(wanted, a.getName(), Set.of("printer-description", "job-template", "media-col-database-only", "all")));
        return reply(request.getVersionNumber(), request.getRequestId(), Status.Code.successfulOk,
            List.of(AttributeGroup.groupOf(Tag.printerAttributes, attributes)));
    }

    private static boolean wanted(Set<String> wanted, String name, Set<String> groups) {
        return wanted.isEmpty() || wanted.contains(name) || wanted.stream().anyMatch(groups::contains);
    }

    // --- reading requests ---

    private int refusal(IppPacket request) {
        if (busy) {
            return Status.Code.serverErrorBusy;
        }
        Optional<String> format = operation(request, "document-format");
        if (format.isPresent() && !PrinterDescription.FORMATS.contains(format.get())) {
            return Status.Code.clientErrorDocumentFormatNotSupported;
        }
        Optional<String> compression = operation(request, "compression");
        if (compression.isPresent() && !Set.of("none", "gzip", "deflate").contains(compression.get())) {
            return Status.Code.clientErrorCompressionNotSupported;
        }
        boolean strict = operation(request, "ipp-attribute-fidelity").orElse("false").equals("true");
        return strict && !printer.model().takes(ticket(request)) ? Status.Code.clientErrorAttributesOrValuesNotSupported
            : Status.Code.successfulOk;
    }

    private Ticket ticket(IppPacket request) {
        AttributeGroup job = Optional.ofNullable(request.get(Tag.jobAttributes)).orElse(AttributeGroup.groupOf(Tag.jobAttributes));
        Map<String, String> settings = new HashMap<>();
        double w = 0;
        double h = 0;
        double thickness = 0;
        Optional<List<Double>> margins = Optional.empty();
        if (job.get("media-col") != null && job.get("media-col").get(0) instanceof AttributeCollection media) {
            for (String name : List.of("media-type", "media-source")) {
                member(media, name).map(IppService::plain).ifPresent(v -> settings.put(name, v));
            }
            List<Optional<Object>> sides = Stream.of("top", "right", "bottom", "left")
                .map(side -> member(media, "media-" + side + "-margin")).toList();
            margins = sides.stream().allMatch(Optional::isPresent) ? Optional.of(sides.stream().map(m -> number(m.get()) / 100).toList())
                : Optional.empty();
            thickness = member(media, "media-thickness").map(v -> number(v) / 100).orElse(0.0);
            Optional<Object> size = member(media, "media-size");
            if (size.isPresent() && size.get() instanceof AttributeCollection dimensions) {
                w = member(dimensions, "x-dimension").map(v -> number(v) / 100).orElse(0.0);
                h = member(dimensions, "y-dimension").map(v -> number(v) / 100).orElse(0.0);
            }
        } else if (job.get("media") != null) {
            String name = plain(job.get("media").get(0));
            var size = printer.model().sizes().stream().filter(s -> s.ippName().equals(name)).findFirst();
            w = size.map(s -> s.widthMm()).orElse(0.0);
            h = size.map(s -> s.heightMm()).orElse(0.0);
        }
        for (MachineModel.Setting s : printer.model().settings()) {
            value(job, s.name()).map(IppService::setting).ifPresent(v -> settings.put(s.name(), v));
        }
        value(job, "wistel-over-edge").map(v -> Integer.toString((int) number(v))).ifPresent(v -> settings.put("wistel-over-edge", v));
        if (!settings.getOrDefault("print-quality", "5").matches("[345]")) {
            settings.put("print-quality", "5");
        }
        int copies = value(job, "copies").map(v -> (int) number(v)).filter(c -> c >= 1 && c <= 99).orElse(1);
        boolean held = value(job, "job-hold-until").map(v -> !plain(v).equals("no-hold")).orElse(false);
        return new Ticket(operation(request, "job-name").orElse("untitled"), user(request), settings, w, h, margins, thickness, copies,
            held);
    }

    private static String setting(Object value) {
        return value instanceof Resolution r ? Integer.toString(r.getX())
            : value instanceof com.hp.jipp.encoding.Enum e ? Integer.toString(e.getCode()) : plain(value);
    }

    private static Optional<Object> value(AttributeGroup group, String name) {
        Attribute<?> attribute = group.get(name);
        return attribute == null || attribute.isEmpty() ? Optional.empty() : Optional.of(attribute.get(0));
    }

    private static Optional<Object> member(AttributeCollection collection, String name) {
        return collection.getAttributes().stream().filter(a -> a.getName().equals(name) && !a.isEmpty()).<Object>map(a -> a.get(0))
            .findFirst();
    }

    private static double number(Object value) {
        return value instanceof Number n ? n.doubleValue()
            : value instanceof com.hp.jipp.encoding.Enum e ? e.getCode() : Double.parseDouble(value.toString());
    }

    private static String plain(Object value) {
        return value instanceof com.hp.jipp.encoding.Stringable s ? s.asString()
            : value instanceof com.hp.jipp.encoding.TaggedValue t ? String.valueOf(t.getValue()) : String.valueOf(value);
    }

    private static Optional<String> operation(IppPacket request, String name) {
        return value(request.get(Tag.operationAttributes), name).map(IppService::plain);
    }

    private static String user(IppPacket request) {
        return operation(request, "requesting-user-name").orElse("anonymous");
    }

    private static Set<String> requested(IppPacket request) {
        Attribute<?> attribute = request.get(Tag.operationAttributes).get("requested-attributes");
        return attribute == null ? Set.of() : attribute.stream().map(IppService::plain).collect(Collectors.toSet());
    }

    private int jobId(IppPacket request) {
        return operation(request, "job-id").map(Integer::parseInt)
            .or(() -> operation(request, "job-uri").map(u -> Integer.parseInt(u.substring(u.lastIndexOf('/') + 1)))).orElse(-1);
    }

    private IppPacket withJob(IppPacket request, Function<PrintJob.Seen, IppPacket> then) {
        return printer.job(jobId(request)).map(then).orElseGet(() -> reply(request, Status.Code.clientErrorNotFound));
    }

    // --- writing replies ---

    private List<Attribute<?>> describe(PrintJob.Seen job) {
        List<Attribute<?>> all = new ArrayList<>(List.of(
            Attrs.integer("job-id", job.id()), Attrs.uri("job-uri", description.ippUri() + "/" + job.id()),
            Attrs.uri("job-printer-uri", description.ippUri()), Attrs.name("job-name", job.ticket().name()),
            Attrs.name("job-originating-user-name", job.ticket().user()), Attrs.enums("job-state", job.state().code()),
            Attrs.keyword("job-state-reasons", job.reason()), Attrs.integer("time-at-creation", description.upTime(job.created())),
            job.started().<Attribute<?>>map(t -> Attrs.integer("time-at-processing", description.upTime(t)))
                .orElse(Attrs.none("time-at-processing")),
            job.finished().<Attribute<?>>map(t -> Attrs.integer("time-at-completed", description.upTime(t)))
                .orElse(Attrs.none("time-at-completed")),
            Attrs.integer("job-printer-up-time", description.upTime(printer.clock().instant())),
            Attrs.integer("job-impressions-completed", job.state() == State.COMPLETED ? job.ticket().copies() : 0),
            Attrs.integer("wistel-percent-laid-down", job.percent()),
            Attrs.integer("wistel-ink-microlitres", (int) Math.round(1000 * job.inkMl()))));
        if (job.state() == State.COMPLETED) {
            String sheet = printer.model().path().replace("/ipp", "") + "/" + job.id();
            all.add(Attrs.uri("wistel-scan-uri", scanAddress.orElseGet(() -> description.httpUri() + "scan" + sheet + ".tif")));
            all.add(Attrs.uri("wistel-instrument-uri", description.httpUri() + "instrument" + sheet));
            all.add(Attrs.uri("wistel-flatbed-uri", description.httpUri() + "flatbed" + sheet + ".tif"));
        }
        all.addAll(taken(job.ticket()));
        return all;
    }

    /** What the job asked for and will get (RFC 8011, 4.3.4): so that whoever asked can compare. */
    private static List<Attribute<?>> taken(Ticket t) {
        List<Attribute<?>> taken = new ArrayList<>(List.of(Attrs.enums("print-quality", t.quality()), Attrs.integer("copies", t.copies())));
        t.settings().forEach((name, value) -> {
            if (name.startsWith("wistel-") && !name.equals("wistel-over-edge") || name.equals("print-color-mode")) {
                taken.add(Attrs.keyword(name, value));
            }
        });
        if (t.widthMm() > 0 && !t.mediaType().isEmpty() && !t.feed().isEmpty()) {
            taken.add(Attrs.collections("media-col", List.of(Attrs.collection(
                Attrs.collections("media-size", List.of(Attrs.collection(Attrs.integer("x-dimension", (int) Math.round(t.widthMm() * 100)),
                    Attrs.integer("y-dimension", (int) Math.round(t.heightMm() * 100))))),
                Attrs.keyword("media-type", t.mediaType()), Attrs.keyword("media-source", t.feed())))));
        }
        return taken;
    }

    private IppPacket jobReply(IppPacket request, PrintJob.Seen job) {
        Set<String> fields = Set.of("job-id", "job-uri", "job-state", "job-state-reasons");
        return reply(request.getVersionNumber(), request.getRequestId(), Status.Code.successfulOk,
            List.of(AttributeGroup.groupOf(Tag.jobAttributes,
                describe(job).stream().filter(a -> fields.contains(a.getName())).toList())));
    }

    private static IppPacket reply(IppPacket request, int status) {
        return reply(request.getVersionNumber(), request.getRequestId(), status, List.of());
    }

    private static IppPacket reply(int version, int requestId, int status, List<AttributeGroup> groups) {
        List<AttributeGroup> all = new ArrayList<>();
        all.add(AttributeGroup.groupOf(Tag.operationAttributes, Attrs.charset("attributes-charset", "utf-8"),
            Attrs.language("attributes-natural-language", "en")));
        all.addAll(groups);
        return new IppPacket(version, status, Math.max(0, requestId), all);
    }
}
