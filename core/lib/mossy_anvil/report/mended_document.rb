# frozen_string_literal: true

module MossyAnvil
  module Report
    # A blank document once steps of mending are done.
    module MendedDocument
      # The document, string-keyed: defects mended, their steps gone from its plan. worked: the steps (MendSteps).
      # measured: { step id => { name => value } }, what the scale said meanwhile.
      def self.of(document, worked, measured: {})
        done = worked.map(&:id)
        mended = worked.flat_map { |step| step.mended(measured.fetch(step.id, {})) }.to_h { |one| [one.id, one] }
        left = (document.dig("mend", "steps") || []).reject { |step| done.include?(step["id"]) }
        document.except("mend").merge(
          "defects" => document["defects"].map { |old| mended_over(old, mended[old["id"]]) },
          "material" => material_after(document["material"], worked, measured),
          **(left.any? ? { "mend" => { "steps" => left } } : {})
        )
      end

      # As a blank file has it, with what is only for the eye kept. defect: nil where it is as it was.
      def self.mended_over(old, defect)
        return old unless defect

        old.slice("found_on", "group").merge(JSON.parse(JSON.generate(defect.to_document)))
      end

      def self.material_after(material, worked, measured) =
        worked.inject(material) { |found, step| found.merge(step.material_after(measured.fetch(step.id, {}))) }
      private_class_method :mended_over, :material_after
    end
  end
end
