package buckle.exchange;

import buckle.readings.Reading;
import buckle.site.Site;
import buckle.spec.Spec;
import java.util.List;

/** A Buckle job as it travels: who it is for, the plan, the spec and the readings. */
public record JobFile(String name, String client, String property, Site site, Spec spec, List<Reading> readings) {
    /** Version of the job file that this program writes and the newest it reads. */
    public static final int SCHEMA = 1;

    public JobFile {
        readings = List.copyOf(readings);
    }
}
