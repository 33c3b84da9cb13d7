package imperan.server.store;

import java.util.Optional;
import java.util.function.Supplier;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** What belongs to the installation and to no show. */
@Repository
public class SettingStore {

    @Mapper
    interface SettingMapper {

        @Select("select value from setting where name = #{name}")
        Optional<String> get(@Param("name") String name);

        @Insert(
                """
                insert into setting (name, value) values (#{name}, #{value})
                on conflict (name) do update set value = excluded.value""")
        void put(@Param("name") String name, @Param("value") String value);
    }

    private final SettingMapper mapper;

    SettingStore(SettingMapper mapper) {
        this.mapper = mapper;
    }

    public Optional<String> get(String name) {
        return mapper.get(name);
    }

    public void put(String name, String value) {
        mapper.put(name, value);
    }

    /** What is there, or else what is made now and kept. */
    public String getOrPut(String name, Supplier<String> otherwise) {
        return mapper.get(name).orElseGet(() -> {
            String made = otherwise.get();
            mapper.put(name, made);
            return made;
        });
    }
}
