# frozen_string_literal: true

# Curves of the shop's own, kept apart from any blank.
Sequel.migration do
  change do
    create_table(:patterns) do
      primary_key :id, type: :bigserial
      column :name, :text, null: false, unique: true
      column :form, :jsonb, null: false
      constraint(:valid_name) { char_length(name) =~ (1..120) }
    end
  end
end
