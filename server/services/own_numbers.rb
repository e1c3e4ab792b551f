# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What a shop has of its own that its plans go by: what its work has shown, its tools, and what its tins of finish
      # say.
      class OwnNumbers
        NONE = { records: MossyAnvil::Model::ShopRecords.new, tools: nil, sheets: {} }.freeze

        def initialize(db)
          @db = db
        end

        # Plain data, as it is sent to be calculated with.
        def given =
          {
            records: Store::Rates.new(@db).counted,
            tools: Store::Shops.new(@db).tools,
            sheets: Store::Stocks.new(@db).sheets("finishes")
          }

        # The records that every assessment goes by.
        def drying = Store::Rates.new(@db).counted("drying_factor")

        # The same as the core's reports take it.
        def core = OwnNumbers.core(JSON.parse(JSON.generate(given)))

        # given: with string keys.
        def self.core(given)
          rows = (given["records"] || []).map { |row| row.transform_keys(&:to_sym) }
          { records: MossyAnvil::Model::ShopRecords.new(rows), tools: given["tools"], sheets: given["sheets"] || {} }
        end
      end
    end
  end
end
