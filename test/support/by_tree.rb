# frozen_string_literal: true

# The page as a screen reader has it: nothing but the roles and names of the accessibility tree
# (WAI-ARIA 1.2, Accessible Name and Description Computation 1.2), as Chromium computes them. What
# has no name there can't be found, what is hidden there does not exist.
module ByTree
  # A node that can be pressed or filled: its role, its name, and its place in the document.
  Node = Struct.new(:role, :name, :backend)
  # Seconds until what is looked for has to be there.
  PATIENCE = 40

  def tree
    command("Accessibility.getFullAXTree")
      .fetch("nodes")
      .reject { |node| node["ignored"] || node["backendDOMNodeId"].nil? }
      .map do |node|
        Node.new(
          *node.values_at("role", "name").map { |v| v.to_h["value"] },
          node["backendDOMNodeId"]
        )
      end
  end

  # The first node of a role whose name is this, or matches it.
  def by_name(role, name)
    until_then { tree.find { |node| node.role == role && called?(node, name) } } ||
      flunk("no #{role} is called #{name.inspect}: #{named(role).inspect}")
  end

  def named(role) = tree.select { |node| node.role == role }.map(&:name)

  # name: a text, or a pattern.
  def called?(node, name)
    name.is_a?(Regexp) ? node.name.to_s.match?(name) : node.name == name
  end

  def told?(name) = tree.any? { |node| called?(node, name) }

  # Is something called so read out, of whatever role?
  def assert_told(name)
    told = until_then { told?(name) }
    assert told, "nothing is called #{name.inspect}"
  end

  # Presses it once it can be pressed.
  def press(role, name)
    node = by_name(role, name)
    until_then { !disabled?(node) }
    on(node, "function () { this.click() }")
  end

  def type(role, name, text)
    node = by_name(role, name)
    command("DOM.focus", backendNodeId: node.backend)
    command("Input.insertText", text: text)
  end

  # An option of a list, by what it is called.
  def choose(name, option)
    on(by_name("combobox", name), <<~JS, option)
      function (wanted) {
        const option = [...this.options].find((o) => o.label === wanted);
        if (!option) throw new Error('no such option: ' + wanted);
        this.value = option.value;
        this.dispatchEvent(new Event('input', { bubbles: true }));
        this.dispatchEvent(new Event('change', { bubbles: true }));
      }
    JS
  end

  private

  def disabled?(node)
    found = command("Accessibility.getPartialAXTree", backendNodeId: node.backend)
    found["nodes"].first["properties"].to_a.any? do |property|
      property["name"] == "disabled" && property.dig("value", "value")
    end
  end

  def on(node, does, *given)
    object = command("DOM.resolveNode", backendNodeId: node.backend).dig("object", "objectId")
    told =
      command(
        "Runtime.callFunctionOn",
        objectId: object,
        functionDeclaration: does,
        arguments: given.map { |value| { value: value } }
      )
    flunk("#{node.role} “#{node.name}”: #{told}") if told["exceptionDetails"]
  end

  def command(name, **given) = page.driver.browser.execute_cdp(name, **given)

  # What the block finds, once it does; nil where it never did. A node that went meanwhile is looked
  # for again.
  def until_then
    page
      .document
      .synchronize(PATIENCE, errors: [Capybara::ElementNotFound]) do
        yield || raise(Capybara::ElementNotFound)
      end
  rescue Capybara::ElementNotFound
    nil
  end
end
