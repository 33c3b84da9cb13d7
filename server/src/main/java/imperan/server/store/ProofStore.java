package imperan.server.store;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonFormat;
import imperan.proof.report.Report;
import imperan.show.ShowJson;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Reports of proofs, and what is still to be put back. */
@Repository
public class ProofStore {

    /** Of one show; the oldest make room. */
    public static final int MOST_REPORTS = 50;

    private static final TypeReference<List<Old>> OLD = new TypeReference<>() {};

    /** @param number counts the reports of a show from 1 */
    public record Kept(long number, Report report) {}

    /**
     * A message that puts something back.
     *
     * @param target  its id, {@code name} for people
     * @param dialect in which the target is spoken to, by the name of a {@link imperan.dialect.Dialect}; empty in rows of before it was written down, which are OSC
     * @param packets what would be sent; one packet in rows of before
     */
    public record Old(
            String target,
            String name,
            Optional<String> dialect,
            @JsonAlias("message") @JsonFormat(with = JsonFormat.Feature.ACCEPT_SINGLE_VALUE_AS_ARRAY)
                    List<byte[]> packets) {}

    /** @param at when it was read, in milliseconds since 1970 */
    public record Leftover(long at, List<Old> old) {}

    record ReportRow(long number, String report) {}

    record OldRow(OffsetDateTime at, String old) {}

    @Mapper
    interface ProofMapper {

        @Insert(
                """
                insert into proof_report (show_id, number, ended_at, report)
                select #{showId}, coalesce(max(number), 0) + 1, #{endedAt}, #{report}::jsonb from proof_report where show_id = #{showId}""")
        void insert(
                @Param("showId") String showId,
                @Param("endedAt") OffsetDateTime endedAt,
                @Param("report") String report);

        @Insert(
                "insert into proof_report (show_id, number, ended_at, report) select #{to}, number, ended_at, report from proof_report where show_id = #{from}")
        void copy(@Param("from") String from, @Param("to") String to);

        @Delete(
                """
                delete from proof_report where show_id = #{showId}
                and number <= (select max(number) from proof_report where show_id = #{showId}) - #{most}""")
        void forgetOldest(@Param("showId") String showId, @Param("most") int most);

        @Select("select max(number) from proof_report where show_id = #{showId}")
        Long newest(@Param("showId") String showId);

        @Select(
                "select number, report::text as report from proof_report where show_id = #{showId} order by number desc limit #{most}")
        List<ReportRow> reports(@Param("showId") String showId, @Param("most") int most);

        @Select(
                "select number, report::text as report from proof_report where show_id = #{showId} and number = #{number}")
        Optional<ReportRow> report(@Param("showId") String showId, @Param("number") long number);

        @Update("update proof_report set report = #{report}::jsonb where show_id = #{showId} and number = #{number}")
        void update(@Param("showId") String showId, @Param("number") long number, @Param("report") String report);

        @Insert(
                "insert into proof_old (show_id, old) values (#{showId}, #{old}::jsonb) on conflict (show_id) do update set old = excluded.old, at = now()")
        void putOld(@Param("showId") String showId, @Param("old") String old);

        @Delete("delete from proof_old where show_id = #{showId}")
        void forgetOld(@Param("showId") String showId);

        @Select("select at, old::text as old from proof_old where show_id = #{showId}")
        Optional<OldRow> old(@Param("showId") String showId);
    }

    private final ProofMapper mapper;
    private final JsonMapper json = ShowJson.mapper();

    ProofStore(ProofMapper mapper) {
        this.mapper = mapper;
    }

    /** @return its number */
    @Transactional
    public long keep(String showId, Report report) {
        mapper.insert(
                showId,
                OffsetDateTime.ofInstant(Instant.ofEpochMilli(report.endedAt()), ZoneOffset.UTC),
                json.writeValueAsString(report));
        mapper.forgetOldest(showId, MOST_REPORTS);
        return mapper.newest(showId);
    }

    /** The reports of one show are another's, too. */
    public void copy(String from, String to) {
        mapper.copy(from, to);
    }

    /** The newest first. */
    public List<Kept> reports(String showId) {
        return mapper.reports(showId, MOST_REPORTS).stream().map(this::kept).toList();
    }

    public Optional<Kept> report(String showId, long number) {
        return mapper.report(showId, number).map(this::kept);
    }

    private Kept kept(ReportRow row) {
        return new Kept(row.number(), json.readValue(row.report(), Report.class));
    }

    public void sign(String showId, long number, Report signed) {
        mapper.update(showId, number, json.writeValueAsString(signed));
    }

    /** Writes down what is to be put back, in the place of what was written before. */
    public void putOld(String showId, List<Old> old) {
        mapper.putOld(showId, json.writeValueAsString(old));
    }

    /** Writes down what stays to be put back when a proof is over; where nothing does, nothing is kept. */
    @Transactional
    public void keepOld(String showId, List<Old> old) {
        if (old.isEmpty()) {
            forgetOld(showId);
        } else {
            putOld(showId, old);
        }
    }

    public void forgetOld(String showId) {
        mapper.forgetOld(showId);
    }

    /** What was not put back; empty where nothing is left. */
    public Optional<Leftover> leftover(String showId) {
        return mapper.old(showId)
                .map(row -> new Leftover(row.at().toInstant().toEpochMilli(), json.readValue(row.old(), OLD)))
                .filter(left -> !left.old().isEmpty());
    }
}
