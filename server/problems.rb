# frozen_string_literal: true

module MossyAnvil
  module Server
    # RFC 9457 problem documents. Their texts are in the catalogue, below `problems`.
    module Problems
      TYPE = "application/problem+json"

      # PostgreSQL's name of a constraint that keeps values apart => the field that is told.
      APART = {
        "blanks_number_key" => "/document/number",
        "defects_blank_id_ref_key" => "/document/defects",
        "lathes_name_key" => "/name",
        "people_name_key" => "/name",
        "products_name_key" => "/name",
        "patterns_name_key" => "/name",
        "one_open_card_a_blank" => "/key",
        "cards_key_key" => "/key",
        "done_once" => "/line",
        "one_picture_once" => "/file"
      }.freeze

      module_function

      def invalid(error)
        errors =
          error.faults.map do |fault|
            { pointer: fault.path, detail: [fault.problem, fault.allowed].compact.join(": ") }
          end
        body(422, "invalid", error.faults.first.to_s, errors: errors)
      end

      def stale(error) = body(409, "stale", error.message, **{ current: error.current }.compact)
      def taken(detail, pointer) = body(409, "taken", detail, errors: [{ pointer: pointer, detail: detail }])

      def unique(constraint)
        known = APART.key?(constraint)
        taken(text("there_already.#{known ? constraint : "other"}"), APART.fetch(constraint, ""))
      end

      def unreadable(detail) = body(400, "unreadable", detail)
      def unkeepable = anywhere("unkeepable", text("unkeepable.detail"))
      def in_use(detail) = body(409, "in_use", detail)

      def wrong_type(types)
        body(415, "wrong_type", text("wrong_type.detail", types: types.join(MossyAnvil::Catalogue.t("lists.or"))))
      end

      def busy(detail) = body(429, "busy", detail)
      def database_busy = busy(text("busy.database"))
      def too_costly(detail) = anywhere("too_costly", detail)
      def too_large(detail) = body(413, "too_large", detail)
      def log_in = body(401, "log_in", text("log_in.detail"))
      def wrong_password = body(401, "wrong_password", text("wrong_password.detail"))
      def wrong_code = body(401, "wrong_password", text("wrong_password.code"))
      def locked_out(minutes) = body(403, "locked_out", text("locked_out.detail", minutes: minutes))

      def not_allowed(role, least)
        roles = { role: role, least: least }.transform_values { |name| MossyAnvil::Catalogue.t("roles.#{name}") }
        forbidden(text("not_allowed.detail", **roles))
      end

      def forbidden(detail) = body(403, "not_allowed", detail)
      def not_on_a_network = body(409, "not_on_a_network", text("not_on_a_network.detail"))
      def elsewhere = body(403, "elsewhere", text("elsewhere.detail"))
      def missing(detail) = body(404, "missing", detail)
      def disk_full = body(507, "disk_full", text("disk_full.detail"))
      def database_away = body(503, "database_away", text("database_away.detail"))
      def broken = body(500, "broken", text("broken.detail"))

      # Of what was sent as a whole, at no field of it.
      def anywhere(name, detail) = body(422, name, detail, errors: [{ pointer: "", detail: detail }])

      def body(status, name, detail, **more)
        {
          type: "about:blank",
          title: MossyAnvil::Catalogue.t("problems.#{name}.title"),
          status: status,
          detail: detail,
          **more
        }
      end

      def text(key, **values) = MossyAnvil::Catalogue.t("problems.#{key}", **values)
      private_class_method :anywhere, :body
    end
  end
end
