# frozen_string_literal: true

module SteadyMove
  module Core
    module Accounts
      # Something in which registrars differ, declared once (Habits): the form, its checks and its
      # words follow from that.
      # id: of its field; path: where its value lies in an account's habits; kind: of value (KINDS);
      # of: the values of a choice; section: of the form, nil where no form asks for it; default:
      # what holds where the rest of its group is given and it is not; required: without it its
      # group is not there; steps: ids of the steps that follow it; limits: more of its schema.
      Habit =
        Struct.new(
          :id,
          :path,
          :kind,
          :of,
          :section,
          :default,
          :required,
          :steps,
          :limits,
          keyword_init: true
        ) do
          # The key in the catalogue under which its label stands, and those of a choice's values.
          def words = "account_form.habits.#{id}"
          def word_of(value) = "account_form.values.#{id}.#{Habit::SIGNS.fetch(value, value)}"

          # What a value has to look like (JSON Schema); null where it is not known.
          def schema
            return { "enum" => [*of, nil] } if kind == :choice

            Habit::KINDS.fetch(kind).merge(limits || {})
          end
        end

      # What stands in a key for values that can't.
      Habit::SIGNS = {
        "" => "none",
        "," => "comma",
        ";" => "semicolon",
        "\t" => "tab",
        " " => "blank"
      }.freeze
      # Kinds of value, with their schemas. text, name (in mono), url, email, domain, digits;
      # code_form (Codes::Accepted); yes: true or false; choice: one of; words: a list with blanks
      # between; list: one with semicolons; suffixes; minutes: three durations, kept in seconds;
      # hours: one, kept in seconds; flag: is the last part of the path in the list before it?
      Habit::KINDS = {
        text: {
          "type" => %w[string null],
          "maxLength" => 200
        },
        name: {
          "type" => %w[string null],
          "maxLength" => 120
        },
        url: {
          "type" => %w[string null],
          "maxLength" => 300,
          "pattern" => "^https?://[^\\s]+$"
        },
        email: {
          "type" => %w[string null],
          "maxLength" => 254,
          "pattern" => "^[^\\s@]+@[^\\s@]+$"
        },
        domain: {
          "type" => %w[string null],
          "maxLength" => 253
        },
        digits: {
          "type" => %w[string null],
          "pattern" => "^[0-9]{1,10}$"
        },
        code_form: {
          "type" => %w[string null],
          "maxLength" => 200,
          "pattern" => "^[0-9]{1,3}-[0-9]{1,3}( [!-~](-[!-~])?)*$"
        },
        yes: {
          "type" => %w[boolean null]
        },
        list: {
          "type" => %w[array null],
          "maxItems" => 10,
          "items" => {
            "type" => "string",
            "maxLength" => 120
          }
        },
        suffixes: {
          "type" => %w[array null],
          "maxItems" => 2000,
          "items" => {
            "type" => "string",
            "maxLength" => 253
          }
        },
        minutes: {
          "type" => %w[array null],
          "minItems" => 3,
          "maxItems" => 3,
          "items" => {
            "type" => "integer",
            "minimum" => 0,
            "maximum" => 2_592_000
          }
        },
        hours: {
          "type" => %w[integer null],
          "minimum" => 0,
          "maximum" => 2_592_000
        },
        choice: nil,
        flag: nil
      }.freeze
    end
  end
end
