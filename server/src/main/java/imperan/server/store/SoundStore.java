package imperan.server.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
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

    @Mapper
    interface SoundMapper {

        @Select("select hash, name, format, bytes, seconds, sample_rate from sound where hash = #{hash}")
        Optional<SoundInfo> get(@Param("hash") String hash);

        @Select("select hash, name, format, bytes, seconds, sample_rate from sound order by lower(name), hash")
        List<SoundInfo> all();

        @Insert(
                "insert into sound (hash, name, format, bytes, seconds, sample_rate) values (#{hash}, #{name}, #{format}, #{bytes}, #{seconds}, #{sampleRate}) on conflict (hash) do nothing")
        void put(SoundInfo info);
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

    /** Notes a sound; one that is known already stays under the name it has. */
    public void put(SoundInfo info) {
        mapper.put(info);
    }
}
