# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Rules and suffix families as data. Built from parsed documents (the disk is read elsewhere), refused where
      # they err.
      class Rulebook
        # One rule's row. params: numbers such as days; words: parts of its sentences; soft: its stretches are marked
        # on the ruler, windows stay open in them; in_move: what a fix is to a move: one of its steps, what has to be
        # done first, or a caution.
        Entry = Struct.new(:id, :effect, :because, :remedy, :find_out, :params, :words, :soft, :in_move, :source,
          keyword_init: true)

        # A mistake in a document; path: where in it, e.g. [3, "effect"], so that its line can be named.
        class Invalid < StandardError
          attr_reader :file, :path

          def initialize(file, path, says)
            @file = file
            @path = path
            super("#{file}: #{says}")
          end
        end

        EFFECTS = %w[bar wait fix caution step].freeze
        IN_MOVE = %w[step first caution].freeze
        NO_FAMILY = Entry.new(id: "suffix-unserved", effect: "bar", params: {}, words: {},
          because: "No family of the rulebook covers names under “.{suffix}”.",
          remedy: "Add the suffix to a family in the rulebook, with its source.",
          source: { "text" => "common practice, no source", "kind" => "C", "verified" => false }).freeze

        attr_reader :entries, :families

        # rules: {file:, rows: [Hash]}; families: [{file:, row: Hash}]. Raises Invalid.
        def initialize(rules:, families:)
          @entries = rules[:rows].each_with_index.to_h do |row, i|
            [row["id"], Checks.entry(rules[:file], row, i)]
          end.freeze
          @families = families.map { |f| Checks.family(f[:file], f[:row], @entries) }.freeze
          index
          freeze
        end

        # The family whose suffix is the longest that fits the DomainName; nil where none does.
        def family_of(name)
          suffix = name.suffix
          @by_suffix[suffix] || shorter(suffix)
        end

        # Suffixes of more than one label, which names are registered under directly.
        attr_reader :deep_suffixes

        def inspect = "#<Rulebook>"

        # The same rulebook with a site's overrides: [Override]; a suffix that is overruled becomes a family of its
        # own.
        def with(overrides)
          overrides.group_by(&:suffix).reduce(dup) do |book, (suffix, list)|
            base = book.family_of(Names::DomainName.known("any.#{suffix}", "any.#{suffix}"))
            base ? book.replace(suffix, list.reduce(base.at(suffix)) { |family, o| o.on(family) }) : book
          end.freeze
        end

        protected

        # The book with one suffix in a family of its own.
        def replace(suffix, family)
          dup.tap do |b|
            b.instance_exec do
              @families = (@families.map do |f|
                f.without(suffix)
              end << family).freeze and index
            end
          end
        end

        private

        # The family of the longest end of a suffix that has one.
        def shorter(suffix)
          labels = suffix.split(".")
          (1...labels.size).each { |i| (found = @by_suffix[labels.drop(i).join(".")]) && (return found) }
          nil
        end

        def index
          @by_suffix = @families.flat_map { |f| f.suffixes.map { |s| [s, f] } }.to_h.freeze
          @deep_suffixes = @by_suffix.keys.select { |s| s.include?(".") }.sort_by { |s| -s.length }.freeze
        end
      end
    end
  end
end
