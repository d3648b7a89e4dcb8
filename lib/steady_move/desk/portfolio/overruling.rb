# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # A site's own word on a suffix: what it would change, saved with its source, taken back.
      class Overruling
        # touched: how many names' gate would change; names: the first of them as [name, was, is];
        # looked_at: how many were judged.
        Preview = Struct.new(:touched, :names, :looked_at, keyword_init: true)
        SHOWN = 50
        FAMILY = "family"
        DATE = /\A\d{4}-\d\d-\d\d\z/

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Suffixes of held names that no family lists; each can be said to belong to one.
        def unlisted
          book = @ports.rulebook
          known =
            @ports.names.one_of_each_suffix.map { |row| Core::Names::DomainName.held(row[:name]) }
          known.reject { |name| book.family_of(name) }.map(&:suffix).uniq.sort
        end

        # Which names an override would change now. Raises Refused.
        def preview(suffix, key, value)
          changed = @ports.rulebook.with([word(suffix, key, value)])
          own = DerivedFacts.new(@ports, many: true)
          found = Preview.new(touched: 0, names: [], looked_at: 0)
          @ports
            .names
            .each_with_said(under: suffix) do |row, said, _|
              weigh(found, row, own.add(row, Core::Readiness::Facts.merged(said).first), changed)
            end
          found
        rescue Core::Readiness::Rulebook::Invalid => e
          raise Refused.new(:invalid, :override, says: e.message.delete_prefix("override: "))
        end

        # Raises Refused. Returns the override's id.
        def save(suffix, key, value, source:, date:, by:)
          raise Refused.new(:invalid, :source_missing) if source.strip.empty?
          raise Refused.new(:invalid, :date_expected, given: date) unless date.match?(DATE)

          touched = preview(suffix, key, value)
          word = { suffix: suffix, key: key, value: value.to_s, source: source.strip, date: date }
          id = @ports.overrides.add(**word, by: by, at: @ports.now)
          says = Words.phrase("journal.overruled", **word, key: title(key), count: touched.touched)
          @ports.journal.add("rulebook", at: @ports.now, by: by, says: says)
          id
        end

        # Suffixes that are added to the rulebook, or given a family of their own. like: id of the
        # family that they follow; values: {key => value} where they differ; title: of a family of
        # their own, or nil. All of it or nothing. Raises Refused.
        def add(suffixes, like:, source:, date:, by:, values: {}, title: nil)
          list =
            suffixes.filter_map { |s| Core::Names::HostName.ascii(s.to_s.delete_prefix(".")) }.uniq
          raise Refused.new(:invalid, :suffix_expected) if list.empty? || list.size != suffixes.size

          words = [
            [FAMILY, like],
            *(title.to_s.strip.empty? ? [] : [["title", title]]),
            *values.to_a
          ]
          @ports.db.transaction do
            list
              .product(words)
              .each do |suffix, (key, value)|
                save(suffix, key, value, source: source, date: date, by: by)
              end
          end
        end

        # What people read of a rule or of a family's value.
        def title(key) = @ports.rulebook.entries[key]&.title || Words.say(:"family.#{key}")

        def take_back(id, by:)
          row = @ports.overrides.find(id)
          unless row && @ports.overrides.take_back(id, at: @ports.now) == 1
            raise Refused.new(:invalid, :no_override, id: id)
          end

          says =
            Words.phrase(
              "journal.override_taken_back",
              **row.slice(:suffix, :value),
              key: title(row[:key])
            )
          @ports.journal.add("rulebook", at: @ports.now, by: by, says: says)
        end

        private

        def word(suffix, key, value)
          any = Core::Names::DomainName.held("any.#{suffix}")
          listed = key == FAMILY || @ports.rulebook.family_of(any)
          raise Refused.new(:invalid, :no_family, suffix: suffix) unless listed

          source = { "text" => "", "kind" => "site", "verified" => true, "date" => "" }
          Core::Readiness::Override.new(suffix: suffix, key: key, value: value, source: source)
        end

        def weigh(found, row, facts, changed)
          name = Core::Names::DomainName.held(row[:name])
          was, is =
            [@ports.rulebook, changed].map do |book|
              Core::Readiness::Judge
                .judge(book, name, facts)
                .outline
                .gate(@ports.now.to_i)
                .then { |core| Gates.plain(core) }
            end
          found.looked_at += 1
          return if was == is

          found.touched += 1
          found.names << [name.unicode, was, is] if found.names.size < SHOWN
        end
      end
    end
  end
end
