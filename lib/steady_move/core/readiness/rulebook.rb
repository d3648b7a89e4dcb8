# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Rules and suffix families as data. Built from parsed documents (the disk is read elsewhere).
      class Rulebook
        # One rule's row; params: numbers such as days.
        Entry = Struct.new(:id, :effect, :because, :remedy, :find_out, :params, :source, keyword_init: true)
        # What holds for a family of suffixes; code, lock: "needed"/"yes" or "none"; response_days: silence until it counts as approval.
        Family = Struct.new(:id, :title, :suffixes, :rules, :code, :lock, :approval, :years_added, :max_years,
                            :response_days, :auto_renew_grace_days, :source, keyword_init: true)

        # A mistake in a rulebook document: file, and what is wrong there.
        class Invalid < StandardError; end

        EFFECTS = %w[bar wait fix caution step].freeze

        attr_reader :entries, :families

        # rules: {file:, rows: [Hash]}; families: [{file:, row: Hash}]. Raises Invalid.
        def initialize(rules:, families:)
          @entries = rules[:rows].to_h { |row| [row["id"], entry(rules[:file], row)] }.freeze
          @families = families.map { |f| family(f[:file], f[:row]) }.freeze
          @by_suffix = @families.flat_map { |f| f.suffixes.map { |s| [s, f] } }.to_h.freeze
          freeze
        end

        # The family whose suffix is the longest that fits the DomainName; nil where nobody serves it here.
        def family_of(name)
          labels = name.suffix.split(".")
          labels.each_index.lazy.filter_map { |i| @by_suffix[labels.drop(i).join(".")] }.first
        end

        private

        def entry(file, row)
          need(file, row, "id", "effect", "because", "remedy", "source")
          raise Invalid, "#{file}: rule #{row['id']}: effect “#{row['effect']}” is not one of #{EFFECTS.join(', ')}" unless EFFECTS.include?(row["effect"])
          raise Invalid, "#{file}: rule #{row['id']}: no object judges it" unless Rules::ALL.key?(row["id"])

          Entry.new(id: row["id"], effect: row["effect"], because: row["because"], remedy: row["remedy"],
                    find_out: row["find_out"], params: row.fetch("params", {}), source: row["source"]).freeze
        end

        def family(file, row)
          need(file, row, "id", "title", "suffixes", "rules", "years_added", "max_years", "source")
          stray = row["rules"] - @entries.keys
          raise Invalid, "#{file}: no such rule: #{stray.join(', ')}" if stray.any?

          Family.new(**row.transform_keys(&:to_sym)).freeze
        end

        def need(file, row, *members)
          lacking = members.reject { |m| row.key?(m) }
          raise Invalid, "#{file}: #{row['id'] || 'a row'}: #{lacking.join(', ')} missing" if lacking.any?
        end
      end
    end
  end
end
