# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # What a person types for a record into a DNS host's form: [[field, text]] in the order in
      # which forms usually ask (common practice), each to be copied by itself. owners: relative
      # (“www”, “@” for the top) or absolute (“www.tide.example.”, with or without its last dot), as
      # the host wants it; targets: absolute with or without it.
      class FormFields
        # What the fields of a type's data are called, where a form asks for them apart.
        PARTS = {
          "MX" => %w[priority target],
          "SRV" => %w[priority weight port target],
          "CAA" => %w[flags tag value],
          "TLSA" => %w[usage selector matching data],
          "SSHFP" => %w[algorithm matching data],
          "DS" => %w[key_tag algorithm matching data]
        }.freeze
        OWNERS = %w[relative absolute absolute_dot].freeze

        # origin: Name; habits: {"owner_form", "target_dot", "quotes_texts"} of the host.
        def initialize(origin, habits = {})
          @origin = origin
          @owner_form = habits["owner_form"] || "relative"
          @dot = habits["target_dot"] == true
          @quotes = habits["quotes_texts"] == true
        end

        # record: Record; ttl: seconds as the host takes them. Returns [[key, text]].
        def rows(record, ttl: record.ttl)
          [
            ["owner", owner(record.name)],
            ["type", record.type],
            *data(record.rdata),
            ["ttl", ttl.to_s]
          ]
        end

        # An owner as the host wants it.
        def owner(name)
          return dotted(name, @owner_form == "absolute_dot") unless @owner_form == "relative"
          return "@" if name == @origin

          name.to_s.delete_suffix(@origin.to_s).chomp(".")
        end

        private

        def data(rdata)
          return [["value", text(rdata)]] if %w[TXT SPF].include?(rdata.type)

          parts = PARTS[rdata.type]
          values = Rdata::TABLE.assoc(rdata.type) ? written(rdata) : nil
          parts && values&.size == parts.size ? parts.zip(values) : [["value", whole(rdata)]]
        end

        # Each field as a form takes it.
        def written(rdata)
          rdata
            .values
            .zip(Rdata::KINDS[rdata.type])
            .map do |value, kind|
              next dotted(value, @dot) if value.is_a?(Name)

              rdata.type == "CAA" && value.is_a?(String) ? value : kind.text.(value)
            end
        end

        def whole(rdata)
          if rdata.values.one? && rdata.values.first.is_a?(Name)
            dotted(rdata.values.first, @dot)
          else
            rdata.to_s
          end
        end

        def dotted(name, dot) = dot ? name.to_s : name.to_host
        def text(rdata)
          if @quotes
            rdata.to_s
          else
            rdata.values.first.join.dup.force_encoding(Encoding::UTF_8).scrub("?")
          end
        end
      end
    end
  end
end
