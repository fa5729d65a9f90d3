package wistel.standin.library;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wistel.standin.ink.Paper;

/** The makers, all invented, and what each of them makes. */
enum PaperMaker {
    SKERRY("skerry", "Skerry Mill", List.of(Paper.SKERRY_GLOSS, Paper.SKERRY_WARM_BARYTA, Paper.SKERRY_WHITE_FILM, Paper.SKERRY_PEARL)),
    HEATH("heath", "Heath and Moss", List.of(Paper.MOSS_FLAX, Paper.MOSS_REED, Paper.HEATH_LAID, Paper.HEATH_HEAVY)),
    TARN("tarn", "Tarn Weavers", List.of(Paper.TARN_LINEN, Paper.TARN_SATIN_CANVAS, Paper.TARN_MATTE, Paper.TARN_PROOF));

    private final String key;
    private final String label;
    private final List<Paper> papers;

    PaperMaker(String key, String label, List<Paper> papers) {
        this.key = key;
        this.label = label;
        this.papers = papers;
    }

    String key() {
        return key;
    }

    String label() {
        return label;
    }

    List<Paper> papers() {
        return papers;
    }

    static Optional<PaperMaker> of(String key) {
        return Arrays.stream(values()).filter(m -> m.key.equals(key)).findFirst();
    }

    Optional<Paper> paper(String id) {
        return papers.stream().filter(p -> id(p).equals(id)).findFirst();
    }

    static String id(Paper paper) {
        return paper.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
