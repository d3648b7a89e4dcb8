# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Links of a marked-up page within its text: OPEN address BETWEEN words CLOSE, in signs that
      # no message may hold.
      module Marks
        OPEN = "\u{E000}"
        BETWEEN = "\u{E001}"
        CLOSE = "\u{E002}"
        # Behind it stand links that nobody sees, or that are no links: they lead somewhere all the
        # same.
        UNSEEN = "\u{E003}"
        ALL = /[#{OPEN}#{BETWEEN}#{CLOSE}#{UNSEEN}\u{E004}\u{E005}]/
        MARK = /#{OPEN}([^#{BETWEEN}#{CLOSE}]*)#{BETWEEN}([^#{CLOSE}]*)(?:#{CLOSE}|\z)/m

        module_function

        # Text in which nothing passes for a mark.
        def unmarked(text) = text.gsub(ALL, "?")
        def opening(url) = "#{OPEN}#{unmarked(url)}#{BETWEEN}"
        def mark(words, url) = "#{opening(url)}#{unmarked(words)}#{CLOSE}"

        # For people: the words, and the address behind them where they don't say it themselves.
        #   Post::Marks.shown(Post::Marks.mark("here", "https://reg.test/go"))
        #     # => "here https://reg.test/go "
        def shown(text)
          text
            .partition(UNSEEN)
            .first
            .gsub(MARK) do
              url, words = Regexp.last_match.captures
              words.include?(url) ? words : "#{words.rstrip} #{url} ".lstrip
            end
            .gsub(ALL, "")
        end
      end
    end
  end
end
