package wistel.server.arrival;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.changes.Change;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Purpose;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.docket.words.NewerFileWords;
import wistel.core.docket.words.NewerFileWords.FileFacts;
import wistel.core.fault.NotFound;
import wistel.core.pictures.SameContent;
import wistel.core.pictures.SideFill;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Plans;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.wrap.WrapService;

/** A newer file of a picture that is on a docket: which it may be, how it differs, and putting it there. */
@Service
public class NewerStates {
    /** Of a docket of many pictures: each takes some tenths of a second. */
    private static final int MOST_COMPARED = 12;
    /** Share of a picture that isn't told as a number. */
    private static final double HARDLY_ANY = 0.001;

    private final DocketRepository dockets;
    private final DocketService decisions;
    private final MasterRepository masters;
    private final FileComparison comparison;
    private final WrapService wraps;

    NewerStates(DocketRepository dockets, DocketService decisions, MasterRepository masters, FileComparison comparison, WrapService wraps) {
        this.dockets = dockets;
        this.decisions = decisions;
        this.masters = masters;
        this.comparison = comparison;
        this.wraps = wraps;
    }

    /** A picture on a docket. */
    public record DocketPicture(UUID docketId, String renditionId) {
    }

    /** Where a picture lies in the newer file, in shares of that; it may reach beyond. */
    public record OlderFrame(double x, double y, double width, double height) {
    }

    /**
     * A file beside a picture on a docket of which it may be the newer one.
     *
     * @param alike       both show the same
     * @param unchanged   both are one file
     * @param older       where it lies in the newer one
     * @param differences in short sentences
     * @param left        what of the docket's decisions can't stay as it is, in sentences
     */
    public record FileCompared(UUID docketId, int number, String title, String renditionId, String olderHash, String olderName,
        boolean alike, boolean unchanged, OlderFrame older, List<String> differences, List<String> left) {
    }

    /** Whether a docket's pictures may have newer files: what is measured or chosen from was laid out with one. */
    private static boolean takes(DocketSpec d) {
        return d.heading().purpose() instanceof Purpose.Work;
    }

    /** Pictures on the bench of which a file may be the newer one: it is called as their file is and shows nearly the same. */
    public List<DocketPicture> candidates(Master newer, String fileName) {
        Map<String, Master> called = masters.called(stem(fileName)).stream().filter(m -> !m.hash().equals(newer.hash()))
            .collect(Collectors.toMap(Master::hash, m -> m));
        if (called.isEmpty()) {
            return List.of();
        }
        Set<String> alike = called.values().stream().filter(m -> comparison.content(m, newer).alike()).map(Master::hash)
            .collect(Collectors.toSet());
        return holding(alike);
    }

    /** Pictures of dockets on the bench that are of these files. */
    List<DocketPicture> holding(Collection<String> hashes) {
        return hashes.isEmpty() ? List.of()
            : dockets.onBenchHolding(hashes).stream().filter(row -> takes(row.spec()))
                .flatMap(row -> row.spec().renditions().stream().filter(r -> hashes.contains(r.masterHash()))
                    .map(r -> new DocketPicture(row.id(), r.id())))
                .toList();
    }

    /** Files of one name are alike in this, whatever their kind. */
    static String stem(String fileName) {
        return Master.stem(fileName).toLowerCase(Locale.ROOT);
    }

    /** How a file stands to the pictures of a docket, the likest first; of many, to those that are called as it is, and the first ones. */
    public List<FileCompared> compared(Master newer, UUID docket) {
        DocketRepository.Row row = dockets.get(docket);
        Set<String> calledSo = masters.called(stem(newer.fileName())).stream().map(Master::hash).collect(Collectors.toSet());
        return row.spec().renditions().stream().sorted(Comparator.comparing((Rendition r) -> !calledSo.contains(r.masterHash())))
            .limit(MOST_COMPARED)
            .map(r -> compared(newer, row, r)).sorted(Comparator.comparing((FileCompared c) -> !c.alike)).toList();
    }

    /** Whether a file shows what a picture on a docket shows, and all that was decided there can stay. */
    boolean follows(Master newer, DocketPicture on) {
        DocketSpec d = dockets.get(on.docketId).spec();
        Master older = master(d.rendition(on.renditionId).masterHash());
        SameContent content = comparison.content(older, newer);
        return content.alike() && NewerFileWords.left(d, on.renditionId, content, facts(older), facts(newer)).isEmpty();
    }

    /** @throws NotFound when the docket or its picture isn't there any more */
    public FileCompared compared(Master newer, DocketPicture on) {
        DocketRepository.Row row = dockets.get(on.docketId);
        return compared(newer, row, row.spec().rendition(on.renditionId));
    }

    private FileCompared compared(Master newer, DocketRepository.Row row, Rendition r) {
        Master older = master(r.masterHash());
        boolean unchanged = older.hash().equals(newer.hash());
        SameContent content = comparison.content(older, newer);
        SameContent shown = NewerFileWords.followed(content);
        List<String> differences = new ArrayList<>(NewerFileWords.differences(facts(older), facts(newer), content));
        differences.add(unchanged ? "It is the very file that is there." : differing(comparison.differing(older, newer)));
        return new FileCompared(row.id(), row.number(), row.spec().title(), r.id(), older.hash(), older.fileName(),
            content.alike(), unchanged, new OlderFrame(shown.x(0), shown.y(0), shown.across(1), shown.down(1)), differences,
            NewerFileWords.left(row.spec(), r.id(), content, facts(older), facts(newer)));
    }

    private static String differing(FileComparison.Differing d) {
        return d.most() < FileComparison.SEEN ? "Nothing of it differs by as much as a person sees (ΔE00 " + FileComparison.SEEN + ")."
            : String.format(Locale.ROOT, "%s of it differs by more than ΔE00 %.0f; %.1f on average, %.0f at most, %s.",
                d.share() < HARDLY_ANY ? "Hardly anything" : DocketPhrases.percent(d.share()), FileComparison.SEEN, d.mean(), d.most(),
                where(d));
    }

    private static String where(FileComparison.Differing d) {
        String down = d.y() < 1 / 3.0 ? "upper" : d.y() > 2 / 3.0 ? "lower" : "";
        String across = d.x() < 1 / 3.0 ? "left" : d.x() > 2 / 3.0 ? "right" : "";
        return down.isEmpty() && across.isEmpty() ? "in the middle" : "at the " + (down + " " + across).strip();
    }

    private static FileFacts facts(Master m) {
        return new FileFacts(FileComparison.size(m), m.bits(), m.channels(), m.profileName());
    }

    Master master(String hash) {
        return masters.byHash(hash).orElseThrow(() -> new NotFound("There is no such picture.", "Drop its file again."));
    }

    /**
     * Puts a newer file in the place of a docket's picture, as one step that undo takes back.
     *
     * @param version of the docket that this was decided on
     */
    @Transactional
    public void take(DocketPicture on, int version, Master newer, String fileName) {
        DocketSpec d = dockets.get(on.docketId).spec();
        Rendition now = d.rendition(on.renditionId);
        SameContent content = NewerFileWords.followed(comparison.content(master(now.masterHash()), newer));
        Optional<SideFill> sides = Plans.wrap(d.plan())
            .filter(w -> w.fill() instanceof SideFill.OneColour && d.item(w.itemId()).renditionId().equals(on.renditionId))
            .map(w -> wraps.picked(newer, ((SideFill.OneColour) w.fill()).patch().in(content)));
        decisions.change(on.docketId, version, new Change.Newer(on.renditionId, newer.hash(), content, sides, fileName));
    }
}
