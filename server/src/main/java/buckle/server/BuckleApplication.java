package buckle.server;

import buckle.exchange.Json;
import java.time.Clock;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.jackson.autoconfigure.JsonFactoryBuilderCustomizer;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;

/** Starts Buckle's server; see the script {@code buckle} for the database it needs. */
@SpringBootApplication
@MapperScan(basePackageClasses = BuckleApplication.class, annotationClass = org.apache.ibatis.annotations.Mapper.class)
public class BuckleApplication {
    public static final String VERSION = "0.1.0";

    public static void main(String[] args) {
        SpringApplication.run(BuckleApplication.class, args);
    }

    @Bean
    JsonMapperBuilderCustomizer buckleJson() {
        return Json::strict;
    }

    @Bean
    JsonFactoryBuilderCustomizer buckleJsonLimits() {
        return factory -> factory.streamReadConstraints(Json.LIMITS);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
