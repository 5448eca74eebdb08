package buckle.server.revisions;

import buckle.exchange.document.StoredDocument;
import buckle.land.Land;
import buckle.price.Firm;
import buckle.price.JobTerms;
import buckle.reach.Kits;
import buckle.spec.Plan;
import buckle.spec.School;
import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** A store for each kind of document. */
@Configuration
class RevisionStores {
    @Bean
    RevisionStore<Plan> plans(RevisionMapper mapper, Author author, Clock clock) {
        return new RevisionStore<>(StoredDocument.PLAN, mapper, author, clock);
    }

    @Bean
    RevisionStore<Land> lands(RevisionMapper mapper, Author author, Clock clock) {
        return new RevisionStore<>(StoredDocument.LAND, mapper, author, clock);
    }

    @Bean
    RevisionStore<School.House> houses(RevisionMapper mapper, Author author, Clock clock) {
        return new RevisionStore<>(StoredDocument.HOUSE, mapper, author, clock);
    }

    @Bean
    RevisionStore<Firm> firms(RevisionMapper mapper, Author author, Clock clock) {
        return new RevisionStore<>(StoredDocument.FIRM, mapper, author, clock);
    }

    @Bean
    RevisionStore<Kits> kits(RevisionMapper mapper, Author author, Clock clock) {
        return new RevisionStore<>(StoredDocument.KITS, mapper, author, clock);
    }

    @Bean
    RevisionStore<JobTerms> jobTerms(RevisionMapper mapper, Author author, Clock clock) {
        return new RevisionStore<>(StoredDocument.TERMS, mapper, author, clock);
    }
}
