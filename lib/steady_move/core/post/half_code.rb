# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Half of a code in a message: “The second half is: 4821”. The other half stands somewhere
      # else, so that nothing here is a code by itself (common practice, no source).
      module HalfCode
        # What parts the word for a half from its value: the first such thing decides.
        PARTS = /\A[^\n]{0,40}?(?:#{CodeLabels::SIGN}|#{CodeLabels::VERB})\s*[:=：]?\s*/
        VALUE =
          /\A["“„»'(\[]*
            ((?=\S*\d)[a-z0-9]{2,16}(?:-[a-z0-9]{2,16}){0,3})
            ["”“«').\],;]*(?=\s|\z)/ix
        DAY = /\A\d{4}-\d\d-\d\d\z/

        module_function

        # The halves that a text names, each once: [String]; a value has a digit in it.
        #
        #   Post::HalfCode.read("The second half is: 4821") # => ["4821"]
        #   Post::HalfCode.read("The second half is valid for 5 days.") # => []
        def read(text)
          lines = text.to_s.lines.map(&:strip)
          found = lines.each_index.flat_map { |i| on_line(lines, i) }
          found.grep_v(DAY).uniq
        end

        def on_line(lines, index)
          line = lines[index]
          marks = line.enum_for(:scan, CodeLabels::HALF).map { Regexp.last_match }
          ends = marks.drop(1).map { |m| m.begin(0) } << line.size
          marks
            .zip(ends)
            .filter_map do |mark, last|
              rest = line[mark.end(0)...last].match(PARTS) or next
              (rest.post_match.empty? ? below(lines, index) : rest.post_match)[VALUE, 1]
            end
        end

        # The next line that is not empty, where a value stands alone.
        def below(lines, index)
          lines[(index + 1)..].find { |l| !l.empty? }.to_s.then { |l| l.match?(/\s/) ? "" : l }
        end
        private_class_method :on_line, :below
      end
    end
  end
end
