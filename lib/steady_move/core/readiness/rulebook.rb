# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Rules and suffix families as data. Built from parsed documents (the disk is read elsewhere),
      # refused where they err.
      class Rulebook
        # One rule's row. title: as people read it; params: numbers such as days; words: parts of
        # its sentences; soft: its stretches are marked on the ruler, windows stay open in them;
        # in_move: what a fix is to a move: one of its steps, what has to be done first, or a
        # caution.
        # hard: where its facts are not known, nobody can say that the name may go.
        Entry =
          Struct.new(
            :id,
            :title,
            :effect,
            :because,
            :remedy,
            :find_out,
            :params,
            :words,
            :soft,
            :hard,
            :in_move,
            :source,
            keyword_init: true
          )

        # A mistake in a document; path: where in it, e.g. [3, "effect"], so that its line can be
        # named.
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
        # Rules that are a registry's or its policy's own: not known of a suffix that no family
        # lists.
        POLICIES = %w[
          new-name
          recent-move
          registrant-change
          after-expiry
          grace-year
          ten-years
          unpaid
          presence
          code-missing
        ].freeze
        UNLISTED = "suffix-unlisted"

        attr_reader :entries, :families

        # rules: {file:, rows: [Hash]}; families: [{file:, row: Hash}]. Raises Invalid.
        def initialize(rules:, families:)
          @entries =
            rules[:rows]
              .each_with_index
              .to_h { |row, i| [row["id"], Checks.entry(rules[:file], row, i)] }
              .freeze
          @families = families.map { |f| Checks.family(f[:file], f[:row], @entries) }.freeze
          @unlisted =
            Family.build(
              id: "unlisted",
              title: "Not in the rulebook",
              suffixes: [],
              code: "needed",
              lock: "yes",
              rules: @entries.keys - POLICIES,
              lines: @entries,
              move_hours: [1, 168, 240],
              source: {
              }
            )
          index
          freeze
        end

        # The family whose suffix is the longest that fits the DomainName; nil where none does. A
        # suffix that somebody runs below a registry's own follows rules of its own.
        def family_of(name)
          suffix = name.suffix
          @by_suffix[suffix] || (shorter(suffix) unless Names::DomainName.private_suffix?(suffix))
        end

        # How long an authorization code of the DomainName lives, in seconds; nil where its family
        # says nothing of it, or where there is none.
        def code_life(name) = family_of(name)&.code_days&.*(86_400)

        # Suffixes of more than one label, which names are registered under directly.
        attr_reader :deep_suffixes

        # The same; where none lists the suffix, what can be said of any name (rules of the job §2).
        def family_for(name) = family_of(name) || @unlisted

        def inspect = "#<Rulebook>"

        # The same rulebook with a site's overrides: [Override]; a suffix that is overruled becomes
        # a family of its own.
        def with(overrides)
          overrides
            .group_by(&:suffix)
            .reduce(dup) do |book, (suffix, list)|
              base = book.base(suffix, list)
              words = list.reject { |o| o.key == "family" }
              if base
                book.replace(suffix, words.reduce(base.at(suffix)) { |family, o| o.on(family) })
              else
                book
              end
            end
            .freeze
        end

        protected

        # The family that a suffix is said to belong to, else the one that lists it. Raises Invalid.
        def base(suffix, words)
          said = words.reverse.find { |o| o.key == "family" }
          return family_of(Names::DomainName.held("any.#{suffix}")) unless said

          @families.find { |f| f.id == said.value } or
            raise Invalid.new("override", ["family"], "there is no family “#{said.value}”")
        end

        # The book with one suffix in a family of its own.
        def replace(suffix, family)
          dup.tap do |b|
            b.instance_exec do
              @families = (@families.map { |f| f.without(suffix) } << family).freeze and index
            end
          end
        end

        private

        # The family of the longest end of a suffix that has one.
        def shorter(suffix)
          labels = suffix.split(".")
          (1...labels.size).each do |i|
            (found = @by_suffix[labels.drop(i).join(".")]) && (return found)
          end
          nil
        end

        def index
          @by_suffix = @families.flat_map { |f| f.suffixes.map { |s| [s, f] } }.to_h.freeze
          @deep_suffixes =
            @by_suffix.keys.select { |s| s.include?(".") }.sort_by { |s| -s.length }.freeze
        end
      end
    end
  end
end
