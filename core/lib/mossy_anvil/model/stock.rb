# frozen_string_literal: true

module MossyAnvil
  module Model
    # What the tables know of a species or material: density, shrinkage, hardness, heat, dust. nil for a name of one's
    # own.
    class Stock
      # Woods hold water and shrink; other stock does not.
      def self.of(species)
        wanted = species.strip.downcase
        table, row = %w[woods other_stock].filter_map { |name| (row = rows(name)[wanted]) && [name, row] }.first
        row && new(row, table == "woods")
      end

      # A wood of which nothing but its shrinkage is supposed.
      def self.usual_wood = @usual_wood ||= new(Table["woods"]["usual"], true)

      # Rows by key and by name, in lower case.
      def self.rows(table)
        (@rows ||= {})[table] ||= Table
          .rows(table)
          .flat_map { |row| [row["key"], row["name"]].map { |name| [name.downcase, row] } }
          .to_h
          .freeze
      end

      attr_reader :row

      def initialize(row, wood)
        @row = row
        @wood = wood
        freeze
      end

      def wood? = @wood
      def name = row["name"]

      # kg/m3 at 12 % moisture, or as sold where it holds no water.
      def density_kg_m3 = row["density_kg_m3"].to_f

      # % from green to oven-dry, across the rings and along them; nil for other stock.
      def radial_pct = row["radial_pct"]
      def tangential_pct = row["tangential_pct"]

      # Its name, as an amount of a message.
      def term = Message.text(name)

      # What its dust or its heat does, beyond the usual, as an amount of a message.
      def caution =
        wood? ? Message.term("tables.woods.dust.#{row["dust"]}") : Table.term("other_stock", row["key"], "caution")

      def source = wood? ? Table["woods"]["sources"].fetch(row["from"]) : Table["other_stock"]["source"]
    end
  end
end
