# frozen_string_literal: true

require "i18n"
require "yaml"

module SteadyMove
  # The catalogue of all that the desk says: config/words/LANGUAGE/*.yml, read through i18n. A
  # second language is one more folder.
  module Words
    FOLDER = File.join(ROOT, "config", "words")
    FIRST = :en

    # Values that are nested sentences are worded first, lists are joined, instants become marks
    # that the screen words.
    class Catalogue
      def initialize(folder = FOLDER)
        @backend = I18n::Backend::Simple.new
        @raw = {}
        Dir[File.join(folder, "*", "*.yml")].each do |f|
          @backend.store_translations(File.basename(File.dirname(f)), parsed(f))
        end
      end

      # key → text in a language with its values; raises KeyError where the catalogue has none, or a
      # value lacks.
      def text(language, key, values)
        key = key.to_s
        raw = @raw[[language, key]] ||= @backend.send(:lookup, language, key).freeze
        return whole(language, key, values) unless raw.is_a?(String)

        values.empty? && !raw.include?("%{") ? raw : I18n.interpolate(raw, values)
      rescue I18n::ArgumentError => e
        raise KeyError, "words: #{key}: #{e.message}"
      end

      def key?(language, key) = @backend.exists?(language, key)

      # The places of a text, and of its plural forms, that have to be filled: [String].
      def places(language, key)
        found = @backend.send(:lookup, language, key)
        texts = found.is_a?(Hash) ? found.values : [found]
        texts.grep(String).flat_map { |text| text.scan(/%\{(\w+)\}/).flatten }.uniq
      end

      # Every key of a language that leads to a text.
      def keys(language) = leaves(@backend.send(:translations).fetch(language))

      private

      # A text with plural forms.
      def whole(language, key, values)
        found = catch(:exception) { @backend.translate(language, key, **values) }
        raise KeyError, "words: there is no “#{key}” in #{language}" unless found.is_a?(String)

        found
      end

      def parsed(file) = YAML.safe_load_file(file)

      def leaves(tree, path = [])
        return [path.join(".")] unless tree.is_a?(Hash) && !tree.keys.intersect?(%i[one other])

        tree.flat_map { |k, v| leaves(v, path + [k]) }
      end
    end

    class << self
      # Which language the desk speaks; set once, at start.
      attr_writer :language, :catalogue

      def language = @language || FIRST
      def catalogue = @catalogue ||= Catalogue.new

      # phrase: a key (Symbol) or a Core::Phrase. Returns the sentence; raises KeyError, and
      # ArgumentError for anything else: a String is a sentence, never a key.
      def say(phrase, **values)
        key, given = phrase.is_a?(Core::Phrase) ? [phrase.key, phrase.values] : [phrase, values]
        unless phrase.is_a?(Symbol) || phrase.is_a?(Core::Phrase)
          raise ArgumentError,
                "words: a Symbol or a Phrase is expected, not #{phrase.inspect[0, 80]}"
        end

        catalogue.text(language, key, given.to_h { |k, v| [k, k == :name ? shown(v) : worded(v)] })
      end

      # What is worded already stays as it is; a Phrase is worded. sentence: String, Phrase or nil.
      def text(sentence) = sentence.is_a?(Core::Phrase) ? say(sentence) : sentence

      # The same where the catalogue has the key (Symbol), else nil.
      def maybe(key, **values) = catalogue.key?(language, key) ? say(key, **values) : nil

      def phrase(key, **values) = Core::Phrase.of(key, **values)

      # A journal line's sentence: as it was written, or in another language anew from its key and
      # values.
      def retold(event)
        return event&.says if event.nil? || event.phrase.nil? || language == FIRST

        say(event.phrase)
      end

      # An instant inside a sentence; the screen words it in the reader's zone.
      def mark(time) = "<#{time.utc.strftime("%Y-%m-%dT%H:%M:%SZ")}>"

      # The same instants as text, for where no screen words them: “Mon 1 Mar 2027, 08:00 UTC”.
      def plain(text) = text&.gsub(MARK) { moment(Time.iso8601(Regexp.last_match(1))) }
      def moment(time) = time.utc.strftime("%a %-d %b %Y, %H:%M UTC")

      # A length of time: the largest unit of which it is at least one.
      def span(seconds)
        size, unit = UNITS.find { |s, _| seconds >= s } || UNITS.last
        count = (seconds / size.to_f).round(1).then { |n| n == n.round ? n.round : n }
        phrase("common.#{unit}", count: count)
      end

      # “15 record sets”, inside a sentence.
      def sets(count) = phrase("common.sets", count: count)

      private

      # An international name is read in its own letters; its A-label stands beside it where it is
      # needed.
      def shown(name)
        name.is_a?(String) ? Core::Names::Idn.shown(name) : worded(name)
      end

      def worded(value)
        case value
        when Core::Phrase
          say(value)
        when Time
          mark(value)
        when Array
          value.map { |v| worded(v) }.join(", ")
        when String
          Core::Signs.in_lines(value)
        else
          value
        end
      end
    end

    MARK = /<(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ)>/
    UNITS = [[86_400, "day"], [3600, "hour"], [60, "minute"]].freeze
  end
end
