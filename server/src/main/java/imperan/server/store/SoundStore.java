package imperan.server.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Repository;

/** What is known of the sounds whose files lie beside the database. */
@Repository
public class SoundStore {

    /**
     * One sound.
     *
     * @param name       of the file that it was loaded from
     * @param format     WAV, FLAC or MP3
     * @param sampleRate samples to a second
     */
    public record SoundInfo(String hash, String name, String format, long bytes, double seconds, int sampleRate) {}

    /**
     * Nothing that is or can come back names it: no part of a show, deleted or not; no saved version; no edit, which can be taken back; and
     * nobody who has just loaded it.
     */
    private static final String UNUSED =
            """
            s.loaded_at < now() - interval '10 minutes'
              and not exists (select 1 from part where strpos(body::text, s.hash) > 0)
              and not exists (select 1 from edit where strpos(changes::text, s.hash) > 0)
              and not exists (select 1 from snapshot where strpos(parts::text, s.hash) > 0)
            """;

    @Mapper
    interface SoundMapper {

        @Select("select hash, name, format, bytes, seconds, sample_rate from sound where hash = #{hash}")
        Optional<SoundInfo> get(@Param("hash") String hash);

        @Select("select hash, name, format, bytes, seconds, sample_rate from sound order by lower(name), hash")
        List<SoundInfo> all();

        @Insert(
                "insert into sound (hash, name, format, bytes, seconds, sample_rate) values (#{hash}, #{name}, #{format}, #{bytes}, #{seconds}, #{sampleRate}) on conflict (hash) do nothing")
        void put(SoundInfo info);

        @Select("select hash, name, format, bytes, seconds, sample_rate from sound s where " + UNUSED
                + " order by lower(name), hash")
        List<SoundInfo> unused();

        @Update("update sound set loaded_at = now() where hash = #{hash}")
        void loadedAgain(@Param("hash") String hash);

        @Delete("delete from sound s where hash = #{hash} and " + UNUSED)
        int deleteUnused(@Param("hash") String hash);
    }

    private final SoundMapper mapper;

    SoundStore(SoundMapper mapper) {
        this.mapper = mapper;
    }

    public Optional<SoundInfo> get(String hash) {
        return mapper.get(hash);
    }

    public List<SoundInfo> all() {
        return mapper.all();
    }

    /** Those that nothing uses, see above. */
    public List<SoundInfo> unused() {
        return mapper.unused();
    }

    /** Somebody has loaded one that is there already. */
    public void loadedAgain(String hash) {
        mapper.loadedAgain(hash);
    }

    /** @return whether it was there and nothing used it */
    public boolean deleteUnused(String hash) {
        return mapper.deleteUnused(hash) > 0;
    }

    /** Notes a sound; one that is known already stays under the name it has. */
    public void put(SoundInfo info) {
        mapper.put(info);
    }
}
