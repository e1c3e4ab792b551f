# frozen_string_literal: true

module MossyAnvil
  # The tables of the trade, read once from core/data.
  module Table
    @loaded = {}
    @lock = Mutex.new

    # The table of that name as frozen plain data; raises Errno::ENOENT for an unknown name.
    def self.[](name)
      @lock.synchronize do
        @loaded[name] ||= deep_freeze(YAML.safe_load_file(File.join(DATA_DIR, "#{name}.yaml")))
      end
    end

    def self.deep_freeze(node)
      case node
      when Hash then node.each_value { |child| deep_freeze(child) }
      when Array then node.each { |child| deep_freeze(child) }
      end
      node.freeze
    end
    private_class_method :deep_freeze
  end
end
