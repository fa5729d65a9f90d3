package wistel.core.docket.findings;

import java.util.stream.Stream;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.sheet.Layout;

/** Finds what is wrong or doubtful about one concern. A pure function. */
@FunctionalInterface
interface Rule {
    Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout);
}
