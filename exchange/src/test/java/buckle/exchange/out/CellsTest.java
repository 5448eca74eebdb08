package buckle.exchange.out;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.design.Design;
import buckle.exchange.Json;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.site.FenceLine;
import buckle.site.Site;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a spreadsheet would take for a formula is a text. Source: CWE-1236 and what it says helps. */
class CellsTest {
    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+1", "-1", "@SUM(A1)", "\tx", "=HYPERLINK(\"http://127.0.0.1\")"})
    void aNameIsNeverAFormula(String name) throws IOException {
        JobFile job = JobFileReader.read(Json.parse(Files.readAllBytes(Path.of("..", "demo", "orchard-ring.geojson"))));
        List<FenceLine> named =
                job.site().lines().stream().map(l -> l.withName(name)).toList();
        Design design = Design.of(new Site(named, job.site().energizer()), job.around(), job.spec());
        String csv = new String(PostsCsv.write(design.layout()), StandardCharsets.UTF_8);
        List<CSVRecord> rows = CSVFormat.RFC4180.parse(new StringReader(csv)).getRecords();
        for (CSVRecord row : rows.subList(1, rows.size())) {
            assertThat(row.get(0)).isEqualTo("'" + name);
        }
        // Numbers are numbers, below zero too.
        assertThat(rows.subList(1, rows.size()))
                .anyMatch(row -> row.get(7).startsWith("-") || row.get(8).startsWith("-"));
    }
}
