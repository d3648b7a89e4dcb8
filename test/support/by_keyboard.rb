# frozen_string_literal: true

require "capybara"

# A journey made by keyboard alone: whatever a test clicks, fills in or chooses is reached by Tab,
# as somebody does who has no mouse. What can't be reached fails. Include it in a test, or set
# HANDS=keys for all of them.
module ByKeyboard
  # More steps than any page of ours has places to stop at.
  MOST = 400
  HERE = <<~JS
    const [el] = arguments, now = document.activeElement;
    if (now === el) return 'there';
    return el.compareDocumentPosition(now) & Node.DOCUMENT_POSITION_FOLLOWING ? 'behind' : 'ahead';
  JS

  class << self
    attr_accessor :on
  end

  # What an element of the page does when a test acts on it.
  module Acts
    def click(*keys, **options)
      return super unless ByKeyboard.on && keys.empty? && options.empty?

      stop_at
      press(box? ? :space : :enter)
      self
    end

    def set(value, **options)
      return super unless ByKeyboard.on && self[:type] != "file"
      return turn(value) if box?

      stop_at
      return super if %w[date time range].include?(self[:type]) # typed in the order of the reader's own country
      return super if value.to_s.include?("\t") # pasted: a tab that is typed leaves the field

      press([:control, "a"], value.to_s.empty? ? :delete : value.to_s)
      self
    end

    # An option of a list that is not unfolded: by its words.
    def select_option(...)
      return super unless ByKeyboard.on

      list = find(:xpath, "./ancestor::select[1]")
      list.stop_at
      list.press(text)
      raise Capybara::ElementNotFound, "typing “#{text}” does not choose it" unless selected?

      self
    end

    def stop_at
      MOST.times do
        where = session.evaluate_script("(function() { #{HERE} }).apply(null, arguments)", self)
        return if where == "there"

        press(where == "behind" ? %i[shift tab] : :tab)
      end
      raise Capybara::ElementNotFound,
            "no Tab leads to #{tag_name} “#{text[0, 60]}” (#{self["aria-label"]})"
    end

    def press(*keys)
      held, keys = keys.partition { |k| k.is_a?(Array) }
      held.each do |modifier, key|
        session.driver.browser.action.key_down(modifier).send_keys(key).key_up(modifier).perform
      end
      session.driver.browser.action.send_keys(*keys).perform unless keys.empty?
    end

    private

    def box? = %w[checkbox radio].include?(self[:type])

    # A box by the space bar; one of several circles by the arrows from the one that is chosen.
    def turn(value)
      return self if checked? == (value != false)
      return arrows if self[:type] == "radio"

      stop_at
      press(:space)
      self
    end

    def arrows
      group = session.all(:css, "input[type=radio][name='#{self[:name]}']")
      (group.find(&:checked?) || group.first).stop_at
      group.size.times { checked? ? break : press(:arrow_down) }
      press(:space) unless checked?
      self
    end
  end
  Capybara::Node::Element.prepend(Acts)

  def setup
    ByKeyboard.on = true
    super
  end

  def teardown
    super
  ensure
    ByKeyboard.on = !ENV["HANDS"].nil?
  end
end
ByKeyboard.on = !ENV["HANDS"].nil?
