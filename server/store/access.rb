# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # For what works with several of the stores: each of them, on the database in @db.
      module Access
        private

        def shops = @shops ||= Shops.new(@db)
        def blanks = @blanks ||= Blanks.new(@db)
        def photographs = @photographs ||= Photographs.new(@db)
        def stocks = @stocks ||= Stocks.new(@db)
        def patterns = @patterns ||= Patterns.new(@db)
        def ledger = @ledger ||= Ledger.new(@db)
        def rates = @rates ||= Rates.new(@db)
        def cards = @cards ||= Cards.new(@db)
        def carried_cards = @carried_cards ||= CarriedCards.new(@db)
        def journal = @journal ||= Journal.new(@db)
        def people = @people ||= People.new(@db)
      end
    end
  end
end
