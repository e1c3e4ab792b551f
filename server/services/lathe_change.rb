# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # A lathe gets other measures or another name; every blank on it is calculated on it as it will be.
      class LatheChange
        # task: its row, asked as { "id", "name", "lathe", "now" }; step: see RackBriefs.
        def initialize(db, task, step)
          @db = db
          @id, @name, @lathe, now = task[:asked].values_at("id", "name", "lathe", "now")
          @lathes = Store::Lathes.new(db)
          @briefs = RackBriefs.new(db, now: Time.parse(now), step: step)
        end

        def prepare
          on_it = @lathes.same?(@id, @lathe) ? [] : @lathes.blanks_on(@id)
          @briefs.prepare(on_it, Store::Shops.new(@db).climate) { |document| document.merge("lathe" => @lathe) }
        end

        # Within a transaction; plain data.
        def apply
          on_it = @lathes.blanks_on(@id)
          @briefs.apply(on_it, Store::Shops.new(@db).lock_climate) unless @lathes.same?(@id, @lathe)
          @lathes.change(@id, @name, @lathe)
          { lathe: @id }
        end
      end
    end
  end
end
