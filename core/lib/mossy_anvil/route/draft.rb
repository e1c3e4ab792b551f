# frozen_string_literal: true

module MossyAnvil
  module Route
    # A step before it is worked out. id: unique in its route. maker: :dry, :mend, :turn, :finish or :own. data: what
    # that takes. left_out: it is not to be done.
    Draft =
      Struct.new(:id, :maker, :data, :left_out) do
        # With ids for [[maker, data], ...]: the kind, or the step's own, and a number from the second of it on.
        def self.list(pairs)
          seen = Hash.new(0)
          pairs.map do |maker, data|
            name = maker == :dry ? "dry" : data[:id] || data[:kind]
            seen[name] += 1
            new(seen[name] > 1 ? "#{name}-#{seen[name]}" : name, maker, data)
          end
        end
      end
  end
end
