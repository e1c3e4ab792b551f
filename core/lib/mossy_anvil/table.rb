# frozen_string_literal: true

module MossyAnvil
  # The tables of the trade, read once from core/data.
  module Table
    @loaded = {}
    @lock = Mutex.new

    # The table of that name as frozen plain data; raises Errno::ENOENT for an unknown name.
    def self.[](name) =
      @loaded[name] ||
        @lock.synchronize { @loaded[name] ||= deep_freeze(YAML.safe_load_file(File.join(DATA_DIR, "#{name}.yaml"))) }

    # The rows of a table as named values, whichever way it is written: as such, under column names, or as a list of
    # pairs.
    def self.rows(name)
      table = self[name]
      if table["median_um"]
        return table["median_um"].map { |grit, median_um| { "grit" => grit, "median_um" => median_um } }
      end

      table["columns"] ? table["rows"].map { |row| table["columns"].zip(row).to_h } : table["rows"]
    end

    # The row of that key; raises InvalidInput at `at` naming those there are.
    def self.row(name, key, at: "")
      rows(name).find { |row| row["key"] == key } or
        raise InvalidInput.at(
                at,
                Fault.t("is", given: Fault.shown(key)),
                Fault.t("one_of", list: rows(name).map { |row| row["key"] }.join(", "))
              )
    end

    # What the catalogue calls a row, as a message.
    def self.word(name, key) = Message.of("tables.#{name}.#{key}.name")

    # Amount of a message: a word that the catalogue has for a row.
    def self.term(name, key, field = "name") = Message.term("tables.#{name}.#{key}.#{field}")

    # Plain data, with all that is in it frozen.
    def self.deep_freeze(node)
      case node
      when Hash
        node.each_value { |child| deep_freeze(child) }
      when Array
        node.each { |child| deep_freeze(child) }
      end
      node.freeze
    end
  end
end
