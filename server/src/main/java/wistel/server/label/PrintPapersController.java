package wistel.server.label;

import java.io.IOException;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import wistel.server.edge.FileAnswer;

/** Labels and pages for buyers, and the texts on them, over REST. */
@RestController
class PrintPapersController {
    private final PrintPapers papers;

    PrintPapersController(PrintPapers papers) {
        this.papers = papers;
    }

    @GetMapping("/api/settings/print-texts")
    PrintTexts texts() {
        return papers.texts();
    }

    @PutMapping("/api/settings/print-texts")
    PrintTexts write(@RequestBody PrintTexts texts) {
        papers.write(texts);
        return papers.texts();
    }

    /** A4 with a label for the back of every print of an attempt. */
    @GetMapping(value = "/api/attempts/{id}/labels", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> labels(@PathVariable UUID id) throws IOException {
        return FileAnswer.opened("labels.pdf", MediaType.APPLICATION_PDF, papers.labels(id));
    }

    /** A label for the back of one print. */
    @GetMapping(value = "/api/attempts/{id}/pages/{page}/placed/{placed}/label", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> label(@PathVariable UUID id, @PathVariable int page, @PathVariable String placed) throws IOException {
        return FileAnswer.opened("label.pdf", MediaType.APPLICATION_PDF, papers.label(id, page, placed));
    }

    /** A page for whoever buys a print. */
    @GetMapping(value = "/api/attempts/{id}/pages/{page}/placed/{placed}/buyers-page", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> buyersPage(@PathVariable UUID id, @PathVariable int page, @PathVariable String placed) throws IOException {
        return FileAnswer.opened("print.pdf", MediaType.APPLICATION_PDF, papers.buyersPage(id, page, placed));
    }
}
